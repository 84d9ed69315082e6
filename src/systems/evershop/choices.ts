import { z } from 'zod'
import type { EverShopSession } from './session.js'
import { all } from './shop.js'

/* What products can come in: attributes of the system, with their values. */

const number = z.coerce.number()
const attribute = z.object({
  ...{ uuid: z.string(), attributeCode: z.string(), attributeName: z.string(), type: z.string() },
  ...{ isRequired: number, displayOnFrontend: number, sortOrder: number, isFilterable: number },
  groups: z.object({ items: z.array(z.object({ attributeGroupId: number })) }).nullish(),
  options: z.array(z.object({ attributeOptionId: number, optionText: z.string() })).nullish(),
})
/** An attribute, with the values that it can have. */
export type Attribute = z.output<typeof attribute>
const schema = z.object({ attributes: z.object({ items: z.array(attribute) }) })
const query = `{ attributes${all} { items { uuid attributeCode attributeName type isRequired displayOnFrontend sortOrder
  isFilterable groups { items { attributeGroupId } } options { attributeOptionId optionText } } } }`

/** All of them: read once until that is stale. */
export const attributesOf = (session: EverShopSession): Promise<Attribute[]> =>
  session.shelf.read(
    'attributes',
    async () => (await session.query(query, schema, 'what products can come in')).attributes.items,
  )

/** The attribute that visitors see under a name. */
export const attributeCalled = (attributes: readonly Attribute[], name: string): Attribute | undefined =>
  attributes.find(({ attributeName }) => attributeName.toLowerCase() === name.toLowerCase())

/** The group of attributes that every product of ours has. */
export const groupOf = ({ bases }: EverShopSession): number => number.parse(bases.get('products/')?.group_id)
