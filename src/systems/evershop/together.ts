import { z } from 'zod'
import type { ChosenOptions } from '../../core/goods/variants.js'
import { slugOf } from '../../core/text/slug-of.js'
import { attributeCalled, attributesOf, groupOf } from './choices.js'
import type { EverShopSession } from './session.js'

/*
 * Variants: products of their own on this system, which stand together in a group. Lists show what is visible of a group: one is,
 * the others are found by what is chosen on its page.
 */

/** A group of variants, and what visitors see of each. */
export interface Together {
  uuid: string
  members: Map<number, { shown: boolean; visible: boolean }>
}
/** Which one a product is, and under which slug. */
export interface Variant {
  slug: string
  options: ChosenOptions
}

const tail = (options: ChosenOptions): string =>
  slugOf(
    Object.entries(options)
      .map(([name, value]) => [name.toLowerCase(), value] as const)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([, value]) => value)
      .join(' '),
  )
/** The address of a variant: every product has one of its own here. */
export const keyOf = ({ slug, options }: Variant): string => `${slug}-${tail(options)}`
/** The slug that a variant of that address has in common with the others. */
export const slugIn = (key: string, options: ChosenOptions): string =>
  key.endsWith(`-${tail(options)}`) ? key.slice(0, -tail(options).length - 1) : key

const groupMade = z.object({ data: z.object({ uuid: z.string() }) })

/** What a variant is sent with, by the system's own names. @param shown whether visitors are to find it; as it is where left out */
export async function variantFields(
  session: EverShopSession,
  { slug, options }: Variant,
  id: number | undefined,
  shown: boolean | undefined,
): Promise<{ attributes: { attribute_code: string; value: string }[]; visibility: 0 | 1 } | { refused: string }> {
  const all = await attributesOf(session)
  const attributes: { attribute_code: string; value: string }[] = []
  for (const [name, value] of Object.entries(options)) {
    const own = attributeCalled(all, name)
    const option = own?.options?.find(({ optionText }) => optionText === value)
    if (!own || !option) return { refused: `there is no “${name}: ${value}” to choose` }
    attributes.push({ attribute_code: own.attributeCode, value: String(option.attributeOptionId) })
  }
  const members = [...(session.together.get(slug)?.members ?? [])]
  const isLed = members.some(([member, one]) => member !== id && one.shown && one.visible)
  const isShown = shown ?? members.find(([member]) => member === id)?.[1].shown ?? true
  return { attributes, visibility: isShown && !isLed ? 1 : 0 }
}

/** Puts a variant beside the others, in a new group where it is the first. @returns why not */
export async function standTogether(
  session: EverShopSession,
  { slug }: Variant,
  id: number,
  { attributes, status, visibility }: { attributes: { attribute_code: string }[]; status?: unknown; visibility: 0 | 1 },
): Promise<string | undefined> {
  let group = session.together.get(slug)
  if (!group) {
    const json = { attribute_codes: attributes.map((one) => one.attribute_code), attribute_group_id: groupOf(session) }
    const sent = await session.write('POST', 'api/variantGroups', { json })
    if (sent.refused !== undefined) return sent.refused
    group = { uuid: groupMade.parse(sent.data).data.uuid, members: new Map() }
    session.together.set(slug, group)
  }
  const before = group.members.get(id)
  if (!before) {
    const json = { product_id: session.uuids.get(`products/${id}`) }
    const { refused } = await session.write('POST', `api/variantGroups/${group.uuid}/items`, { json })
    if (refused !== undefined) return refused
  }
  const shown = status === undefined ? (before?.shown ?? true) : status === 1
  group.members.set(id, { shown, visible: visibility === 1 })
  return lead(session, group)
}

/** One that goes leaves the others behind, and they may need another one that lists show. */
export async function leaveOthers(session: EverShopSession, id: number): Promise<string | undefined> {
  const group = [...session.together.values()].find(({ members }) => members.has(id))
  group?.members.delete(id)
  return group && lead(session, group)
}

/** Lists show a group by one of its variants: where none is visible any more, the first takes that over. */
async function lead(session: EverShopSession, { members }: Together): Promise<string | undefined> {
  const shown = [...members].filter(([, one]) => one.shown)
  const [first] = shown
  if (!first || shown.some(([, one]) => one.visible)) return undefined
  const key = `products/${first[0]}`
  const json = { ...session.bases.get(key), visibility: 1 }
  const { refused } = await session.write('PATCH', `api/products/${session.uuids.get(key) ?? ''}`, { json })
  if (refused === undefined) first[1].visible = true
  return refused
}
