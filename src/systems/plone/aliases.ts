import { z } from 'zod'
import type { PloneSession } from './session.js'

const aliasSchema = z.object({ path: z.string(), 'redirect-to': z.string(), manual: z.boolean().optional() })
const listSchema = z.object({ items: z.array(aliasSchema), items_total: z.number() })

export const ALIASES = '@aliases'

/** Old addresses and where they lead, both from the site's address on. */
export const aliasesOf = async (session: PloneSession): Promise<{ from: string; to: string }[]> =>
  (await session.list(ALIASES, listSchema, 'the list of old addresses')).map((one) => ({
    from: one.path,
    to: one['redirect-to'].replace(/^\//, ''),
  }))
