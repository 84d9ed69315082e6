import { z } from 'zod'
import { categorySchema } from '../areas/categories.js'
import { ownerSchema } from '../areas/owner.js'
import { pageSchema } from '../areas/pages.js'
import { siteSchema } from '../areas/site.js'
import { slug } from './values.js'

const choice = z.enum(['remove', 'keep'])

/** The areas whose shipped items go unless the file says otherwise. */
export const removable = ['posts', 'comments', 'pages', 'categories'] as const
export type Removable = (typeof removable)[number]

const shippedSchema = z
  .union([
    choice,
    z.strictObject({
      posts: choice.optional().describe('Posts that came with the system'),
      comments: choice.optional().describe('Comments that came with the system'),
      pages: choice.optional().describe('Pages that came with the system'),
      categories: choice.optional().describe('Categories that came with the system'),
    }),
  ])
  .default('keep')
  .describe('What happens to what came with the system and was not touched since; left out: keep')

const checkSchema = z.strictObject({
  at: z
    .string()
    .regex(/^\//, { error: "a place on the site, from the site's address on" })
    .describe("The place, from the site's address on")
    .meta({ examples: ['/visit/'] }),
  as: z.literal('visitor').default('visitor').describe('Who looks'),
  shows: z.string().min(1).describe('A text that must be seen there'),
})

/** The baseline file, version 1: one definition for reading, for the JSON Schema and for the docs. */
export const baselineSchema = z
  .strictObject({
    unpack: z
      .literal(1)
      .describe('The version of this format')
      .meta({ examples: [1] }),
    site: siteSchema
      .describe('The site itself')
      .meta({ examples: [{ address: 'http://127.0.0.1:4101/', title: 'Lantern Street Repair Café' }] }),
    owner: ownerSchema
      .describe('Who owns the site')
      .meta({ examples: [{ username: 'marlow', email: 'ines@repair.example', password: 'made' }] }),
    shipped: shippedSchema.meta({ examples: ['remove'] }),
    gone: z
      .strictObject({
        posts: z.array(slug).optional().describe('Slugs of posts'),
        pages: z.array(slug).optional().describe('Slugs of pages'),
        categories: z.array(slug).optional().describe('Slugs of categories'),
      })
      .default({})
      .describe('Items that are to go although somebody made or changed them')
      .meta({ examples: [{ pages: ['old-news'] }] }),
    leave: z
      .array(z.string().regex(/^[a-zA-Z]+\.[a-zA-Z]+$/, { error: 'a key with its area' }))
      .default([])
      .describe("Keys that this system can't be given, and you know it: they are left alone")
      .meta({ examples: [['site.timezone']] }),
    categories: z
      .array(categorySchema)
      .optional()
      .describe('At least these categories')
      .meta({ examples: [[{ name: 'Repairs', slug: 'repairs' }]] }),
    pages: z
      .array(pageSchema)
      .optional()
      .describe('At least these pages')
      .meta({ examples: [[{ title: 'Visit us', slug: 'visit', body: 'pages/visit.md' }]] }),
    checks: z
      .array(checkSchema)
      .default([])
      .describe('Looks at the finished site, on top of those that every area brings')
      .meta({ examples: [[{ at: '/visit/', as: 'visitor', shows: 'Saturday' }]] }),
  })
  .meta({ title: 'Unpack baseline', description: 'How a site should be' })

/** A baseline, read and checked; `bodies` holds the HTML of every body file by its name in the baseline. */
export type Baseline = z.output<typeof baselineSchema> & { bodies: Record<string, string> }

/** The JSON Schema (2020-12) of the baseline file. */
export const baselineJsonSchema = (): Record<string, unknown> => z.toJSONSchema(baselineSchema, { io: 'input' })

/** Whether what shipped in an area is to go. */
export const goesIn = (baseline: Baseline, area: string): boolean =>
  typeof baseline.shipped === 'string'
    ? baseline.shipped === 'remove' && removable.some((name) => name === area)
    : (baseline.shipped as Record<string, string | undefined>)[area] === 'remove'
