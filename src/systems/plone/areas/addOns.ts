import { z } from 'zod'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { addOns as carrier } from '../carriers/add-ons.js'
import type { PloneSession } from '../session.js'

/** What everybody calls those that come with the system; others go by their own names. */
const NAMES: Readonly<Record<string, string>> = {
  comments: 'plone.app.discussion',
  caching: 'plone.app.caching',
  'working-copies': 'plone.app.iterate',
  'several-languages': 'plone.app.multilingual',
  interface: 'plone.restapi',
}
const itemSchema = z.object({ id: z.string(), is_installed: z.boolean(), version: z.string().nullish() })
const listSchema = z.object({ items: z.array(itemSchema) })
export const ADD_ONS = '@addons'
/** A part of the system itself, without which it has no pages. */
const NEEDED = new Set(['plone.app.layout'])

/** The add-ons that are there, by what the file calls them. */
export const addOnsOf = async (session: PloneSession) =>
  (await session.document(ADD_ONS, listSchema, 'the list of add-ons')).items
    .filter(({ id }) => !NEEDED.has(id))
    .map(({ id, is_installed, version }) => ({
      id,
      use: Object.entries(NAMES).find(([, known]) => known === id)?.[0] ?? id,
      active: is_installed,
      version: version ?? '',
    }))

/** Add-ons are put on the server by the host: the site switches them on and off. */
export const addOns: AreaOnSystem<'addOns', PloneSession> = {
  keys: ['use', 'version', 'active'],
  can: { new: { byHand: 'add-ons are put on the server by the host: ask for it, and settle again' } },
  async read(session, { addOns: planned = [] }) {
    const named = new Set(planned.map(({ use }) => use))
    // what ships and is switched off is nobody's
    return (await addOnsOf(session))
      .filter(({ use, active }) => active || named.has(use))
      .map(({ id, use, active, version }) => ({
        id,
        item: { use, active, version },
        marks: { place: true, untouched: !active, known: use in NAMES },
        copy: { id, active },
      }))
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'missing') return []
      const active = difference.is === 'different' && difference.wanted.active
      return [Step.of(carrier, { id: idOf(difference.ref), active }, { proves: [difference], gives: difference.ref })]
    }),
}
