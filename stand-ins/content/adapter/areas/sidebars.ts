import { bodyOf, Step, type AreaOnSystem, type ItemOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { columns } from '../carriers/forms.js'
import { linesOf } from '../entries.js'

const PLACES = ['left', 'right', 'foot']
const PARTS = ['search', 'navigation', 'latest posts', 'events', 'text']
/** What stands in each column of a new site; on the right only where its examples stand. */
const SHIPPED: Readonly<Record<string, string>> = { left: 'navigation', right: 'latest posts\nevents' }
const marks = { place: true, untouched: true, known: true }
const MOST_TEXTS = 3

type Part = ItemOf<'sidebars'>['parts'][number]
const textsIn = (parts: readonly Part[]) => parts.flatMap((part) => (typeof part === 'string' ? [] : [part.text]))

/** Sidebars are columns here, each with up to three texts. */
export const sidebars: AreaOnSystem<'sidebars', StandInSession> = {
  keys: ['place', 'parts'],
  can: ({ baseline: { sidebars: planned = {} } }) =>
    Object.values(planned).some((parts) => parts.filter((part) => typeof part !== 'string').length > MOST_TEXTS)
      ? { parts: { never: 'a column holds three texts at most on this system' } }
      : {},
  async read(session, { sidebars: planned = {} }) {
    const all = await Promise.all(
      PLACES.map(async (place) => {
        const { lines = '', ...form } = await session.form(`columns/${place}`)
        const parts = linesOf(lines).map((part): Part => {
          const own = /^text (\d)$/.exec(part)?.[1]
          return own === undefined ? part : { text: form[`text${own}`] ?? '' }
        })
        const ships = lines === '' || lines === SHIPPED[place]
        return { id: place, item: { place, parts }, ...(ships && { marks }), copy: { place, parts } }
      }),
    )
    return all.filter(({ id, item }) => item.parts.length > 0 || id in planned)
  },
  choices: () => Promise.resolve({ place: PLACES, parts: PARTS }),
  translate: (differences) =>
    differences.map((difference) => {
      const { place, parts } =
        difference.is === 'left over' ? { ...difference.found.item, parts: [] } : difference.wanted
      return Step.of(columns, { place, ...asLoad(parts) }, { proves: [difference] })
    }),
  ships: ({ samples }) =>
    Object.entries(SHIPPED)
      .filter(([place]) => place === 'left' || samples === 'shipped')
      .map(([place, lines]) => ({ id: place, item: { place, parts: linesOf(lines) }, marks })),
  again: ({ ref, item: { place, parts } }) => Step.of(columns, { place, ...asLoad(parts) }, { proves: [], gives: ref }),
}

function asLoad(parts: readonly Part[]) {
  let texts = 0
  const lines = parts.map((part) => (typeof part === 'string' ? part : `text ${(texts += 1)}`))
  return { lines, texts: textsIn(parts).map((text) => bodyOf(text)) }
}
