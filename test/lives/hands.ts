import { nth, paragraph } from './values.js'
import type { Edit, Thing } from './site.js'

/* What people do to single fields, as several stand-ins have them. */

/** The arrays of a stand-in's model, as things. */
export const things = (all: readonly object[]): Thing[] => all as Thing[]

export const text: Edit = (_thing, word) => word
export const body: Edit = (_thing, word) => paragraph(word)
/** Of two values the one that is not set. */
export const other =
  <T>(field: string, one: T, two: T) =>
  (thing: Thing): T =>
    thing[field] === one ? two : one

/** Below another one of the same list, which is not below it itself; or at the top. */
export const otherPlace =
  (all: () => readonly { id: number; parent: number }[]): Edit =>
  (thing, _word, number) => {
    const isBelow = (id: number): boolean =>
      id === thing.id || all().some((one) => one.id === id && one.parent !== 0 && isBelow(one.parent))
    const places = [0, ...all().flatMap(({ id }) => (isBelow(id) ? [] : [id]))].filter((id) => id !== thing.parent)
    return nth(places, number) ?? thing.parent
  }

/** Somebody joins one of the groups, or leaves it. */
export const joinOrLeave =
  (groups: () => readonly { id: number }[]): Edit =>
  (thing, _word, number) => {
    const own = thing.groups as number[]
    const id = groups()[number % Math.max(1, groups().length)]?.id
    return id === undefined ? own : own.includes(id) ? own.filter((one) => one !== id) : [...own, id]
  }

export interface MenuEntry {
  kind: 'page' | 'category' | 'link'
  to: string
  label: string
}
/** A menu as a thing: `page 7`, `link https://…`. Who edits it puts links into it. */
export const menuThing = (id: string, get: () => MenuEntry[], put: (entries: MenuEntry[]) => void): Thing => ({
  id,
  get entries() {
    return get().map(({ kind, to }) => `${kind} ${to}`)
  },
  set entries(links: string[]) {
    put(links.map((to) => ({ kind: 'link', to, label: to })))
  },
})
export const newMenu: Edit = (_thing, word) => [`https://${word}.example/`]
