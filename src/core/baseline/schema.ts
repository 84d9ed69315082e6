import { z } from 'zod'
import { addOnSchema } from '../areas/addOns.js'
import { categorySchema } from '../areas/categories.js'
import { commentingSchema } from '../areas/commenting.js'
import { forumCategorySchema } from '../areas/forums.js'
import { frontPageSchema } from '../areas/frontPage.js'
import { groupSchema } from '../areas/groups.js'
import { linksSchema } from '../areas/links.js'
import { mailSchema } from '../areas/mail.js'
import { memberSchema } from '../areas/members.js'
import { menusSchema } from '../areas/menus.js'
import { ownerSchema } from '../areas/owner.js'
import { pageSchema } from '../areas/pages.js'
import { postingSchema } from '../areas/posting.js'
import { postSchema } from '../areas/posts.js'
import { profilesSchema } from '../areas/profiles.js'
import { publishingSchema } from '../areas/publishing.js'
import { sidebarsSchema } from '../areas/sidebars.js'
import { signInSchema } from '../areas/signIn.js'
import { signUpSchema } from '../areas/signUp.js'
import { siteSchema } from '../areas/site.js'
import { themeSchema } from '../areas/theme.js'
import { updatesSchema } from '../areas/updates.js'
import type { Packages } from '../package.js'
import type { Outline } from '../text/opml.js'
import type { Sample } from '../text/sample.js'
import type { Upload } from '../upload.js'
import { fileName, forumPath, packageName, placeName, slug, title, userName } from './values.js'

const choice = z.enum(['remove', 'keep'])

/** What may be removed of what shipped, unless the file says otherwise: keys of areas, with what they are. */
const removable = {
  posts: 'Posts',
  comments: 'Comments',
  pages: 'Pages',
  categories: 'Categories',
  menus: 'Menus',
  sidebars: 'What stands in sidebars',
  links: 'Links and their categories',
  theme: 'Themes that are not in use',
  addOns: 'Add-ons',
  uploads: 'Uploads, and what failed ones left',
  forums: 'Categories of a forum, and forums',
  topics: 'Topics',
} as const
export type Removable = keyof typeof removable

const shippedSchema = z
  .union([
    choice,
    z.strictObject(
      Object.fromEntries(
        Object.entries(removable).map(([key, what]) => [
          key,
          choice.optional().describe(`${what} that came with the system`),
        ]),
      ) as Record<Removable, z.ZodOptional<typeof choice>>,
    ),
  ])
  .default('keep')
  .describe('What happens to what came with the system and was not touched since; left out: keep')

const slugs = (what: string) => z.array(slug).optional().describe(what)
const goneSchema = z
  .strictObject({
    posts: slugs('Slugs of posts'),
    pages: slugs('Slugs of pages'),
    categories: slugs('Slugs of categories'),
    tags: slugs('Slugs of tags'),
    menus: z.array(placeName).optional().describe('Places of menus'),
    theme: z.array(packageName).optional().describe('Themes, by the names of their folders'),
    addOns: z.array(packageName).optional().describe('Add-ons, by the names of their folders'),
    uploads: z.array(z.string().min(1)).optional().describe('Uploads, by their names without ending'),
    forums: z
      .array(forumPath)
      .optional()
      .describe('Forums as category/title, or categories; never one that holds topics'),
    groups: z.array(title).optional().describe('Groups, by their names'),
    members: z.array(userName).optional().describe('Accounts, by their user names'),
  })
  .default({})
  .describe('Items that are to go although somebody made or changed them')

const forumCheckSchema = z.strictObject({
  forum: forumPath.describe('A forum of this file, as category/title'),
  as: z
    .string()
    .regex(/^(?:visitor|owner|member [A-Za-z0-9._-]+)$/, { error: 'visitor, owner, or member and a user name' })
    .default('visitor')
    .describe('Who looks: visitor, owner, or member and a user name')
    .meta({ examples: ['member limpet'] }),
  refused: z.boolean().describe('Whether they must be turned away'),
})

const pageCheckSchema = z.strictObject({
  at: z
    .string()
    .regex(/^\//, { error: "a place on the site, from the site's address on" })
    .describe("The place, from the site's address on")
    .meta({ examples: ['/visit/'] }),
  as: z.literal('visitor').default('visitor').describe('Who looks'),
  shows: z.string().min(1).describe('A text that must be seen there'),
})

const checkSchema = z.union([pageCheckSchema, forumCheckSchema])
export type WantedCheck = z.output<typeof checkSchema>

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
    gone: goneSchema.meta({ examples: [{ pages: ['old-news'] }] }),
    leave: z
      .array(z.string().regex(/^[a-zA-Z]+(?:\.[a-zA-Z]+)*$/, { error: 'an area, or a key with its area' }))
      .default([])
      .describe('Keys that this system may not be given, and you know it: they are no difference then')
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
    frontPage: frontPageSchema
      .optional()
      .describe('What visitors see first: the latest posts, or a page')
      .meta({ examples: [{ page: 'home', posts: 'news' }] }),
    menus: menusSchema
      .optional()
      .describe('Menus by the place where the theme shows them: exactly these entries, in this order')
      .meta({ examples: [{ main: [{ page: 'home' }, { label: 'Tools', link: 'https://tools.repair.example/' }] }] }),
    sidebars: sidebarsSchema
      .optional()
      .describe('Sidebars by their place: exactly these parts, in this order')
      .meta({ examples: [{ main: ['search', 'latest posts'] }] }),
    theme: themeSchema
      .optional()
      .describe('The theme in use')
      .meta({ examples: [{ use: 'lantern', from: 'files/lantern-theme.zip' }] }),
    addOns: z
      .array(addOnSchema)
      .optional()
      .describe('At least these add-ons')
      .meta({ examples: [[{ use: 'contact-card', from: 'files/contact-card.zip', active: true }]] }),
    samples: z
      .union([z.enum(['none', 'shipped']), fileName])
      .optional()
      .describe(
        'Sample content: none (what an earlier run added and nobody touched goes), shipped (what the system brings stays), or a file: an RSS-based content export',
      )
      .meta({ examples: ['none'] }),
    publishing: publishingSchema
      .optional()
      .describe('How posts are published')
      .meta({ examples: [{ postsPerPage: 6, postAddress: '/{slug}/' }] }),
    comments: commentingSchema
      .optional()
      .describe('The rules for comments')
      .meta({ examples: [{ allowed: true, approve: 'all', linksBeforeApproval: 1 }] }),
    mail: mailSchema
      .optional()
      .describe('The mail that the site sends')
      .meta({ examples: [{ from: 'hello@tidepool.example', server: 'smtp://127.0.0.1:2525' }] }),
    signUp: signUpSchema
      .optional()
      .describe('Whether visitors may make accounts')
      .meta({ examples: [{ open: false, role: 'reader' }] }),
    signIn: signInSchema
      .optional()
      .describe('The rules for signing in')
      .meta({ examples: [{ attempts: 5, lockMinutes: 30 }] }),
    posting: postingSchema
      .optional()
      .describe('How members post')
      .meta({ examples: [{ perHour: 30, postsPerPage: 15 }] }),
    profiles: profilesSchema
      .optional()
      .describe('What members may have and show')
      .meta({ examples: [{ privateMessages: true, signatures: { maxLength: 120 } }] }),
    groups: z
      .array(groupSchema)
      .optional()
      .describe('At least these groups of members')
      .meta({ examples: [[{ name: 'Survey volunteers' }]] }),
    forums: z
      .array(forumCategorySchema)
      .optional()
      .describe('At least these categories with their forums, in this order')
      .meta({ examples: [[{ title: 'On the shore', forums: [{ title: 'Rock pools' }] }]] }),
    members: z
      .array(memberSchema)
      .optional()
      .describe('At least these accounts beside the owner’s')
      .meta({ examples: [[{ username: 'kelp', email: 'kelp@tidepool.example', groups: ['Survey volunteers'] }]] }),
    updates: updatesSchema
      .optional()
      .describe('How newer versions are taken')
      .meta({ examples: [{ system: 'fixes', themes: 'automatic' }] }),
    links: linksSchema
      .optional()
      .describe('Links to other sites, for systems that keep lists of them')
      .meta({ examples: [{ from: 'files/friends.opml' }] }),
    posts: z
      .array(postSchema)
      .optional()
      .describe('At least these posts')
      .meta({ examples: [[{ title: 'We open on Saturday', slug: 'we-open-on-saturday', body: 'posts/we-open.md' }]] }),
    checks: z
      .array(checkSchema)
      .default([])
      .describe('Looks at the finished site, on top of those that every area brings')
      .meta({ examples: [[{ at: '/visit/', as: 'visitor', shows: 'Saturday' }]] }),
  })
  .meta({ title: 'Unpack baseline', description: 'How a site should be' })

/** A baseline, read and checked, with what the files hold that it names. */
export type Baseline = z.output<typeof baselineSchema> & {
  /** The HTML of every body, by its file. */
  bodies: Record<string, string>
  /** Files for the site's uploads, by their names here. */
  uploads: Record<string, Upload>
  /** Lists of links, by their file. */
  outlines: Record<string, Outline[]>
  /** Sample content, where the baseline names some. */
  sample?: Sample
  /** Archives, by their file, as they are. */
  archives: Record<string, Uint8Array>
  /** What the archives hold, once a system has looked into them. */
  packages: Packages
}

/** The JSON Schema (2020-12) of the baseline file. */
export const baselineJsonSchema = (): Record<string, unknown> => z.toJSONSchema(baselineSchema, { io: 'input' })

/** Whether what shipped is to go, by an area's key in the baseline. */
export const goesIn = ({ shipped }: Baseline, key: string): boolean =>
  typeof shipped === 'string'
    ? shipped === 'remove' && key in removable
    : (shipped as Record<string, string | undefined>)[key] === 'remove'
