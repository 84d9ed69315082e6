import fc, { type AsyncCommand } from 'fast-check'
import { calm, type Flags, type Life, type Trouble } from './life.js'
import type { Thing } from './site.js'
import { thingsOf } from './snapshot.js'
import { nameOf } from './file.js'

/** One thing that happens in a life. What went wrong by then ends it. */
abstract class Step implements AsyncCommand<object, Life, true> {
  check = (): Promise<boolean> => Promise.resolve(true)
  async run(_model: object, life: Life): Promise<void> {
    life.pass()
    await this.happens(life)
    if (life.troubles.length > 0) throw new Error([...life.story, ...new Set(life.troubles)].join('\n'))
  }
  protected abstract happens(life: Life): Promise<void> | void
}

/** The numbers that a step is made of: what they choose depends on what there is. */
type Numbers = readonly [number, number, number]
const nth = <T>(list: readonly T[], number: number): T | undefined => list[number % Math.max(1, list.length)]

/** The plan changes its mind about one thing. */
class Plans extends Step {
  constructor(readonly numbers: Numbers) {
    super()
  }
  protected override happens(life: Life): void {
    plans(life, this.numbers)
  }
  override toString(): string {
    return `plan(${this.numbers.join()})`
  }
}
function plans(life: Life, [which, key, choice]: Numbers): void {
  const wish = nth(life.site.wishes, which)
  if (!wish) return
  const plan = new Map(life.plan)
  const known = plan.get(wish.ref)
  const keys = Object.keys(wish.values)
  if (known && choice % 5 === 0 && !life.site.always.includes(wish.ref)) {
    // what stands below goes along
    for (const ref of plan.keys()) if (ref === wish.ref || ref.startsWith(`${wish.ref}/`)) plan.delete(ref)
  } else if (known) {
    const name = nth(keys, key) ?? ''
    plan.set(wish.ref, withKey(known, name, nth(wish.values[name] ?? [], choice)))
  } else if (wish.ref.split('/').length < 3 || plan.has(wish.ref.replace(/\/[^/]*$/, '')))
    plan.set(
      wish.ref,
      keys.reduce((all, name) => withKey(all, name, nth(wish.values[name] ?? [], choice)), {}),
    )
  life.plan = plan
  life.story.push(`plan: ${wish.ref} ${JSON.stringify(plan.get(wish.ref)) || 'gone'}`)
}
const withKey = (values: Readonly<Record<string, unknown>>, key: string, value: unknown): Record<string, unknown> => {
  const { [key]: _, ...rest } = values
  return value === undefined ? rest : { ...rest, [key]: value }
}

/** The plan changes its mind, and somebody works on the very thing while the run is under way. */
class Crosses extends Step {
  constructor(
    readonly plan: Numbers,
    readonly at: number,
    readonly numbers: Numbers,
  ) {
    super()
  }
  protected override async happens(life: Life): Promise<void> {
    plans(life, this.plan)
    const hand = () => deed(life, this.numbers, true)()
    life.story.push(`settle, somebody at ${this.at}`)
    await life.settle({ ...calm, meanwhile: { at: this.at, hand } })
  }
  override toString(): string {
    return `crosses(${this.plan.join()};${this.at};${this.numbers.join()})`
  }
}

/** Somebody writes, the plan is written over it, somebody may write again, and the run is taken back. */
class Regrets extends Step {
  constructor(
    readonly first: Numbers,
    readonly second: Numbers | undefined,
  ) {
    super()
  }
  protected override async happens(life: Life): Promise<void> {
    deed(life, this.first)()
    life.story.push('settle, again: true')
    await life.settle({ ...calm, again: true })
    // the same thing again, where it can be edited in the same way
    if (this.second) deed(life, [this.second[0] % 3, this.first[1], this.second[2]])()
    life.story.push('undo the last')
    await life.undo(life.records.length - 1, calm)
  }
  override toString(): string {
    return `regrets(${this.first.join()};${this.second?.join() ?? ''})`
  }
}

/** The owner lets what shipped go, or not. */
class Ships extends Step {
  protected override happens(life: Life): void {
    life.isShippedRemoved = !life.isShippedRemoved
    life.story.push(`plan: shipped: ${life.isShippedRemoved ? 'remove' : 'keep'}`)
  }
  override toString(): string {
    return 'ships'
  }
}

/** Accounts with which runs sign in: nobody else changes them. */
const owners = new Set(['owner', 'manager', 'administrator'])

/** What a person does, as a call that does it. @param isMeanwhile whether a run is under way: then mostly where it is about to write */
function deed(life: Life, [what, which, how]: Numbers, isMeanwhile = false): () => string[] {
  const { site } = life
  if (!site.isThere()) return () => []
  const { word, number } = life.word()
  const hands = [edit, edit, rewrite, add, remove, restore]
  return nth(hands, what) ?? edit

  /** Something to work on, and what of it can be edited. */
  function choice() {
    const settings = { key: 'settings/site', room: 'settings', thing: site.settings() }
    const all = [...thingsOf(site), settings].filter(
      ({ room, thing }) => site.edits[room] && !owners.has(String(thing.role)),
    )
    const planned = all.filter(({ room, thing }) => room === 'settings' || life.plan.has(site.refOf(room, thing)))
    const due = isMeanwhile ? planned.filter((one) => life.isDue(one)) : []
    // mostly what the plan is about
    const others = all.filter((one) => !planned.includes(one))
    const of = due.length > 0 && which % 4 > 0 ? due : which % 4 > 1 || others.length === 0 ? planned : others
    const one = nth(of, which >> 2)
    return { one, fields: Object.keys(site.edits[one?.room ?? ''] ?? {}) }
  }
  function edit(): string[] {
    const { one, fields } = choice()
    const field = nth(fields, how)
    return one && field !== undefined ? set(one, field) : []
  }
  /** Everything that can be edited on one thing. */
  function rewrite(): string[] {
    const { one, fields } = choice()
    return one ? fields.flatMap((field) => set(one, field)) : []
  }
  function set(one: { key: string; room: string; thing: Thing }, field: string): string[] {
    const value = site.edits[one.room]?.[field]?.(one.thing, word, number)
    const told = `${one.key} (${site.refOf(one.room, one.thing, field)}) ${field} = ${JSON.stringify(value)}`
    return life.hand(`hand: ${told}`, () => {
      one.thing[field] = value
      // systems date what is written, not every setting
      if ('edited' in one.thing && field !== 'state') one.thing.edited = new Date().toISOString()
    })
  }
  function add(): string[] {
    const room = nth(Object.keys(site.adds), which) ?? ''
    const planned = site.wishes
      .map(({ ref }) => ref)
      .filter((ref) => ref.startsWith(`${room}/`) && ref.split('/').length === 2)
    const name = nth([...planned.map(nameOf), word], how) ?? word
    const taken = site.rooms()[room]?.some((thing) => nameOf(site.refOf(room, thing)) === name)
    return life.hand(`hand: ${room}: adds ${taken ? word : name}`, () => {
      const thing = site.adds[room]?.(taken ? word : name, word)
      if (thing) site.rooms()[room]?.push(thing)
    })
  }
  function remove(): string[] {
    const one = nth(
      thingsOf(site).filter(({ room }) => site.adds[room] && room !== 'accounts' && room !== 'members'),
      which,
    )
    const list = site.rooms()[one?.room ?? '']
    if (!one || !list) return []
    const keep = life.claims.keep(one.key)
    life.bin.push({ room: one.room, thing: one.thing, back: keep })
    return life.hand(`hand: ${one.key} (${site.refOf(one.room, one.thing)}) removed`, () => {
      list.splice(list.indexOf(one.thing), 1)
      site.removed?.(one.room, one.thing)
    })
  }
  function restore(): string[] {
    const one = life.bin.pop()
    const list = site.rooms()[one?.room ?? '']
    if (!one || !list) return []
    if (list.some((thing) => site.refOf(one.room, thing) === site.refOf(one.room, one.thing))) return []
    life.story.push(`hand: ${one.room}/${one.thing.id} put back`)
    list.push(one.thing)
    // it is whose it was
    one.back()
    return [`${one.room}/${one.thing.id}`]
  }
}

class Person extends Step {
  constructor(readonly numbers: Numbers) {
    super()
  }
  protected override happens(life: Life): void {
    deed(life, this.numbers)()
  }
  override toString(): string {
    return `person(${this.numbers.join()})`
  }
}

const ways = ['killed', 'cut', 'refused', 'unheard', 'fails', 'half'] as const
interface Chosen {
  again: number
  open: number
  inUse: boolean
  trouble?: Trouble | undefined
  meanwhile?: { at: number; numbers: Numbers } | undefined
}
function flags(life: Life, chosen: Chosen): Flags {
  const refs = [...life.plan.keys()]
  // mostly neither; now and then all of it, or one ref
  const again = chosen.again % 4 === 1 ? true : chosen.again % 4 === 2 ? [nth(refs, chosen.again) ?? 'site'] : false
  const open = chosen.open % 4 === 1 ? [nth(refs, chosen.open) ?? 'site'] : []
  const { trouble, meanwhile } = chosen
  const hand = meanwhile && (() => deed(life, meanwhile.numbers, true)())
  life.story.push(
    `again: ${JSON.stringify(again)}, open: ${JSON.stringify(open)}${chosen.inUse ? '' : ', not in use'}${trouble ? `, ${trouble.is} at ${trouble.at}` : ''}${meanwhile ? `, somebody at ${meanwhile.at}` : ''}`,
  )
  return {
    ...{ again, open, inUse: chosen.inUse },
    ...(trouble && { trouble }),
    ...(meanwhile && hand && { meanwhile: { at: meanwhile.at, hand } }),
  }
}

class Settles extends Step {
  constructor(readonly chosen: Chosen) {
    super()
  }
  protected override async happens(life: Life): Promise<void> {
    life.story.push('settle')
    await life.settle(flags(life, this.chosen))
  }
  override toString(): string {
    return `settle(${JSON.stringify(this.chosen)})`
  }
}
class SettlesTwice extends Step {
  protected override async happens(life: Life): Promise<void> {
    life.story.push('two runs at once')
    await life.settleTwice(calm)
  }
  override toString(): string {
    return 'settleTwice'
  }
}
class Undoes extends Step {
  constructor(
    readonly which: number,
    readonly chosen: Chosen,
  ) {
    super()
  }
  protected override async happens(life: Life): Promise<void> {
    life.story.push(`undo ${this.which % Math.max(1, life.records.length)}`)
    await life.undo(this.which, flags(life, { ...this.chosen, again: 0, open: 0 }))
  }
  override toString(): string {
    return `undo(${this.which},${JSON.stringify(this.chosen)})`
  }
}
class Confirms extends Step {
  protected override async happens(life: Life): Promise<void> {
    life.story.push('confirm')
    await life.confirm()
  }
  override toString(): string {
    return 'confirm'
  }
}
class Loses extends Step {
  protected override happens(life: Life): void {
    life.loseState()
  }
  override toString(): string {
    return 'loseState'
  }
}

const number = fc.nat(59)
const numbers = fc.tuple(number, number, number)
const trouble = fc.option(fc.record({ at: fc.integer({ min: 1, max: 60 }), is: fc.constantFrom(...ways) }), {
  freq: 2,
  nil: undefined,
})
const meanwhile = fc.option(fc.record({ at: fc.integer({ min: 1, max: 60 }), numbers }), { freq: 2, nil: undefined })
const chosen: fc.Arbitrary<Chosen> = fc.record({
  again: number,
  open: number,
  inUse: fc.constantFrom(true, true, true, false),
  trouble,
  meanwhile,
})
const straight = chosen.map((one) => ({
  ...one,
  again: 0,
  open: 0,
  inUse: true,
  trouble: undefined,
  meanwhile: undefined,
}))

/** Everything that may happen in a life, in any order. */
export const steps = fc.commands<object, Life, true>(
  [
    numbers.map((one) => new Plans(one)),
    numbers.map((one) => new Plans(one)),
    numbers.map((one) => new Plans(one)),
    fc.constant(new Ships()),
    numbers.map((one) => new Person(one)),
    numbers.map((one) => new Person(one)),
    numbers.map((one) => new Person(one)),
    straight.map((one) => new Settles(one)),
    straight.map((one) => new Settles(one)),
    chosen.map((one) => new Settles(one)),
    chosen.map((one) => new Settles(one)),
    fc.constant(new SettlesTwice()),
    fc.tuple(numbers, fc.integer({ min: 5, max: 45 }), numbers).map((one) => new Crosses(...one)),
    fc.tuple(numbers, fc.option(numbers, { nil: undefined })).map((one) => new Regrets(...one)),
    fc.tuple(number, chosen).map(([which, one]) => new Undoes(which, one)),
    fc.constant(new Confirms()),
    fc.constant(new Loses()),
  ],
  { maxCommands: 24, size: 'max' },
)
