import type { Carrier } from '../../step.js'
import { attributeCalled, attributesOf, groupOf } from '../choices.js'
import { carried, type EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'

/**
 * What products are to be had in: an option by its name, with the values that it needs beside those that it has. A change that
 * left one of these out would remove it from every product.
 */
export const choices: Carrier<{ name: string; values: readonly string[] }, EverShopSession> = {
  name: 'options of products',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { name, values } = load
    await shopOf(session)
    const attributes = await attributesOf(session)
    const own = attributeCalled(attributes, name)
    if (own && own.type !== 'select') return [{ refused: `“${name}” stands there, and is nothing to choose from` }]
    const there = (own?.options ?? []).map(({ attributeOptionId, optionText }) => ({
      option_id: attributeOptionId,
      option_text: optionText,
    }))
    const more = values.filter((value) => !there.some(({ option_text }) => option_text === value))
    const groups = own?.groups?.items.map(({ attributeGroupId }) => attributeGroupId) ?? []
    const group = groupOf(session)
    if (own && more.length === 0 && groups.includes(group)) return [{}]
    const json = {
      ...{ attribute_name: own?.attributeName ?? name, is_required: own?.isRequired ?? 0 },
      ...{ display_on_frontend: own?.displayOnFrontend ?? 1, is_filterable: own?.isFilterable ?? 1 },
      ...{ sort_order: own?.sortOrder ?? 0, groups: [...new Set([...groups, group])] },
      options: [...there, ...more.map((value) => ({ option_text: value }))],
      ...(!own && {
        attribute_code: codeFor(name, new Set(attributes.map((one) => one.attributeCode))),
        type: 'select',
      }),
    }
    const sent = await session.write(own ? 'PATCH' : 'POST', `api/attributes${own ? `/${own.uuid}` : ''}`, { json })
    session.shelf.forget('attributes')
    return [carried(sent)]
  },
}

/** What the system knows an option by: small letters, digits and underscores, and no other has it. */
function codeFor(name: string, taken: ReadonlySet<string>): string {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '_')
      .replace(/^_+|_+$/g, '') || 'option'
  for (let code = plain, more = 2; ; more += 1) {
    if (!taken.has(code)) return code
    code = `${plain}_${more}`
  }
}
