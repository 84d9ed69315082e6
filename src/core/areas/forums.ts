import { z } from 'zod'
import { groupsIn, namedBy, type NamedItem } from '../baseline/plain-values.js'
import { actions } from '../access/who.js'
import type { Area, Plan } from '../area.js'
import type { Baseline } from '../baseline/schema.js'
import { forumPath, title } from '../baseline/values.js'
import { nameIn, refOf } from '../ref.js'
import { textOf, yesOrNo } from '../value.js'

const name = title.meta({ examples: ['Survey volunteers'] })
const who = z
  .union([name, z.array(name)])
  .optional()
  .describe('everyone, members, moderators, administrators, or names of groups')
  .meta({ examples: ['members'] })

const accessSchema = z
  .strictObject(
    Object.fromEntries(actions.map((action) => [action, who])) as Record<(typeof actions)[number], typeof who>,
  )
  .describe('Who may do what here; each includes those behind it: everyone, members, moderators, administrators')

const placed = {
  title: title.describe('What it is called; it is known by its place: category/title'),
  was: forumPath.optional().describe('Where it stood before: it is renamed or moved, not made a second time'),
  description: z.string().optional().describe('What belongs into it'),
}

const forumSchema = z.strictObject({
  ...placed,
  locked: z.boolean().optional().describe('Whether nobody below moderators may write in it'),
  removeOldAfterDays: z
    .union([z.literal('never'), z.int().min(1)])
    .optional()
    .describe('Days after which topics without new replies are removed'),
  access: accessSchema.optional(),
})

export const forumCategorySchema = z.strictObject({
  ...placed,
  forums: z.array(forumSchema).optional().describe('At least these forums, in this order'),
})

export interface ForumItem {
  title: string
  /** The ref of the category it stands in; '' for a category. */
  parent: string
  description?: string
  locked?: boolean
  removeOldAfterDays?: number | 'never'
}

const path = ({ title, parent }: ForumItem): string => (parent === '' ? title : `${nameIn(parent)}/${title}`)

const planned = ({ forums }: Pick<Baseline, 'forums'>): Plan<ForumItem>[] =>
  (forums ?? []).flatMap(({ title, was, description, forums: inner }) => {
    const parent = refOf('forums', title)
    return [
      { item: { title, parent: '', description }, was: was && refOf('forums', was) },
      ...(inner ?? []).map((forum): Plan<ForumItem> => {
        // in a category that is renamed, what is not named itself stood under the old name
        const before = forum.was ?? (was === undefined ? undefined : `${was}/${forum.title}`)
        const { title, description, locked, removeOldAfterDays } = forum
        return {
          item: { title, parent, description, locked, removeOldAfterDays },
          was: before && refOf('forums', before),
        }
      }),
    ]
  })

/** Its part of the baseline file. */
export const forumsPart = {
  forums: z
    .array(forumCategorySchema)
    .optional()
    .describe('At least these categories with their forums, in this order')
    .meta({ examples: [[{ title: 'On the shore', forums: [{ title: 'Rock pools' }] }]] }),
}

/** Categories, and the forums in them. */
export const forums: Area<'forums', ForumItem> = {
  name: 'forums',
  title: 'forums',
  list: 'at least',
  questions: [{ key: 'forums', ask: 'Which forums are there, and who may do what in them?' }],
  shipped: 'Categories of a forum, and forums',
  gone: z.array(forumPath).describe('Forums as category/title, or categories; never one that holds topics'),
  guarded: true,
  empties: ['description'],
  // a forum whose access can't be given is not made: it would stand open to everybody
  trusts: (item, { forums: planned = [], groups = [] }) => {
    const written = planned.flatMap(({ title, forums: inner = [] }) =>
      inner
        .filter((one) => `${title}/${one.title}` === path(item))
        .flatMap(({ access }) => Object.values(access ?? {}).flat()),
    )
    return groups.filter(({ name }) => written.includes(name)).map(({ name }) => refOf('groups', name))
  },
  keys: ['title', 'parent', 'description', 'locked', 'removeOldAfterDays'],
  named: ({ forums }) =>
    groupsIn(forums).flatMap(([{ title, was, forums: inner }, at]): NamedItem[] => [
      ...(typeof title === 'string'
        ? [{ name: title, path: ['forums', at, 'title'], was: typeof was === 'string' ? was : undefined }]
        : []),
      ...namedBy(inner, 'title', ['forums', at, 'forums'], (own) => `${String(title)}/${own}`),
    ]),
  ref: (item) => refOf('forums', path(item)),
  plan: planned,
  links: ['parent'],
  within: 'parent',
  keepsHolder: true,
  call: (item) => `the ${item.parent === '' ? 'category' : 'forum'} “${item.title}”`,
  say: (key) => (key === 'parent' ? 'stands in' : key === 'removeOldAfterDays' ? 'old topics go after days' : key),
  show: (key, value) => (key === 'parent' ? nameIn(textOf(value)) : yesOrNo(value)),
}
