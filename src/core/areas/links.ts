import { z } from 'zod'
import { fileAt } from '../baseline/named-files.js'
import type { Area } from '../area.js'
import { fileName, slug } from '../baseline/values.js'
import { refOf } from '../ref.js'

export const linksSchema = z.strictObject({
  from: fileName.describe('A list of links beside the baseline, in OPML').meta({ examples: ['files/friends.opml'] }),
  category: z
    .strictObject({
      name: z.string().min(1).describe('The name of the category they stand in'),
      slug: slug.describe('Its slug'),
      replaces: z.literal('shipped').optional().describe('It takes over the link category that came with the system'),
    })
    .optional()
    .describe('The category of these links'),
})

export interface LinkItem {
  title: string
  link: string
  description?: string
  /** The ref of its link category, or ''. */
  category?: string
}

/** Its part of the baseline file. */
export const linksPart = {
  links: linksSchema
    .optional()
    .describe('Links to other sites, for systems that keep lists of them')
    .meta({ examples: [{ from: 'files/friends.opml' }] }),
}

/** Links to other sites, for systems that keep lists of them. */
export const links: Area<'links', LinkItem> = {
  name: 'links',
  title: 'lists of links',
  list: 'at least',
  questions: [{ key: 'links', ask: 'To which other sites does it lead?' }],
  shipped: 'Links and their categories',
  guarded: true,
  keys: ['title', 'link', 'description', 'category'],
  // the whole address: two that differ by a sign are two
  files: ({ links }) => fileAt('links', links, 'from', ['links']),
  ref: (item) => refOf('links', item.link.replace(/^https:\/\//, '')),
  plan({ links, outlines }) {
    const category = links?.category && refOf('linkCategories', links.category.slug)
    return (outlines[links?.from ?? ''] ?? []).map((item) => ({ item: { ...item, category } }))
  },
  links: ['category'],
  call: (item) => `the link “${item.title}”`,
  expect: (items) =>
    items.length === 0
      ? []
      : [
          {
            name: 'visitors find the links',
            at: 'front',
            look: 'links',
            labels: items.map(({ title }) => title),
            anyOrder: true,
          },
        ],
}
