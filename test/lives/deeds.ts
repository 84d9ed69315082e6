import type { Life } from './life.js'
import { everythingOn, type Placed } from './outcome.js'
import { thingsOf } from './snapshot.js'
import { aboveOf, nameOf, nth, now } from './values.js'

/** Three numbers that choose a deed. What they choose depends on what is there. */
export type Numbers = readonly [number, number, number]

/** Accounts with which runs sign in. Nobody else changes them. */
const owners = new Set(['owner', 'manager', 'administrator'])

/** Lets a person do something. @param isMeanwhile whether a run is under way: they mostly work where it is about to write */
export function act(life: Life, [what, which, how]: Numbers, isMeanwhile = false): void {
  if (!life.site.isThere()) return
  if (what % 6 === 3) add(life, which, how)
  else if (what % 6 === 4) remove(life, which)
  else if (what % 6 === 5) restore(life)
  else edit(life, which, what % 6 === 2 ? undefined : how, isMeanwhile)
}

/** @param how the field; all of them if there is none */
function edit(life: Life, which: number, how: number | undefined, isMeanwhile: boolean): void {
  const { site } = life
  const { word, number } = life.word()
  const one = toEdit(life, which, isMeanwhile)
  const edits = site.edits[one?.room ?? ''] ?? {}
  const fields = Object.keys(edits)
  for (const field of how === undefined ? fields : [nth(fields, how) ?? '']) {
    const value = one && edits[field]?.(one.thing, word, number)
    if (!one || value === undefined) continue
    const { key, room, thing } = one
    life.hand(`hand: ${key} (${site.refOf(room, thing, field)}) ${field} = ${JSON.stringify(value)}`, () => {
      thing[field] = value
      // systems date texts, not every setting
      if ('edited' in thing && field !== 'state') thing.edited = now()
    })
  }
}
/** A thing to work on: mostly one of the plan. */
function toEdit(life: Life, which: number, isMeanwhile: boolean): Placed | undefined {
  const { site } = life
  const all = everythingOn(site).filter(({ room, thing }) => site.edits[room] && !owners.has(String(thing.role)))
  const planned = all.filter(({ room, thing }) => room === 'settings' || life.plan.has(site.refOf(room, thing)))
  const others = all.filter((one) => !planned.includes(one))
  const due = isMeanwhile ? planned.filter((one) => life.isDue(one)) : []
  const of = due.length > 0 && which % 4 > 0 ? due : which % 4 > 1 || others.length === 0 ? planned : others
  return nth(of, which >> 2)
}

/** Adds something under a planned name, or under one of their own. */
function add(life: Life, which: number, how: number): void {
  const { site } = life
  const { word } = life.word()
  const room = nth(Object.keys(site.adds), which) ?? ''
  const planned = site.plannable
    .map(({ ref }) => ref)
    .filter((ref) => ref.startsWith(`${room}/`) && aboveOf(ref) === '')
  const chosen = nth([...planned.map(nameOf), word], how) ?? word
  const isTaken = site.rooms()[room]?.some((thing) => nameOf(site.refOf(room, thing)) === chosen)
  const name = isTaken ? word : chosen
  life.hand(`hand: ${room}: adds ${name}`, () => {
    const thing = site.adds[room]?.(name, word)
    if (thing) site.rooms()[room]?.push(thing)
  })
}

function remove(life: Life, which: number): void {
  const { site } = life
  const removable = thingsOf(site).filter(({ room }) => site.adds[room] && room !== 'accounts' && room !== 'members')
  const one = nth(removable, which)
  const list = site.rooms()[one?.room ?? '']
  if (!one || !list) return
  const { key, room, thing } = one
  life.bin.push({ room, thing, restoreClaims: life.claims.remember(key) })
  life.hand(
    `hand: ${key} (${site.refOf(room, thing)}) removed`,
    () => void list.splice(list.indexOf(thing), 1),
    () => site.removed?.(room, thing),
  )
}

/** Puts back what was removed last. It is whose it was. */
function restore(life: Life): void {
  const { site } = life
  const one = life.bin.pop()
  const list = site.rooms()[one?.room ?? '']
  if (!one || !list) return
  const { room, thing, restoreClaims } = one
  if (list.some((other) => site.refOf(room, other) === site.refOf(room, thing))) return
  const back = () => {
    list.push(thing)
    restoreClaims()
  }
  life.hand(`hand: ${room}/${thing.id} put back`, () => undefined, back)
}
