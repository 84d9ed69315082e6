import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { standInBlog, type StandInBlog } from '../../stand-ins/blog/server/index.js'
import type { System } from 'unpack'
import { settle } from 'unpack'
import { demoBaseline } from '../help/demo.js'
import { ownFolders } from '../help/sites.js'
import { behindTrouble, PATIENCE, repeated, type World, CALM } from './world.js'

const later = '2027-03-05T14:07:00.000Z'

/** What an owner has made of a settled blog since: none of it may be lost. */
function lived({ blog }: StandInBlog): (() => string | undefined)[] {
  const entry = { by: blog.accounts[0]?.id ?? 1, made: later, edited: later }
  const own = { ...entry, id: blog.next++, title: 'Low tide', slug: 'low-tide', body: '<p>Bring boots.</p>' }
  blog.posts.push({ ...own, state: 'published', categories: [], tags: [], date: '2027-03-05T14:07', open: true })
  const draft = { ...entry, id: blog.next++, title: 'Not yet', slug: 'workshops', body: '<p>A secret plan.</p>' }
  blog.pages.push({ ...draft, state: 'draft', parent: 0, order: 9 })
  const visit = blog.pages.find(({ slug }) => slug === 'visit')
  const text = '<p>We have moved to the pier.</p>'
  if (visit) Object.assign(visit, { body: text, edited: later })
  blog.categories.push({ id: blog.next++, name: 'Boats', slug: 'boats', description: 'Ours', parent: 0 })
  blog.tags.push({ id: blog.next++, name: 'mine', slug: 'tools' })
  blog.comments.push({ id: blog.next++, post: own.id, by: 'Limpet', text: 'Lovely!', made: later, state: 'shown' })
  blog.uploads.push({ id: blog.next++, name: 'boat.jpg', type: 'image/jpeg', bytes: Buffer.from('boat') })
  blog.links.push({ id: blog.next++, title: 'Pier', link: 'https://pier.example/', description: '', category: 0 })
  const has = (what: string, there: () => boolean) => () => (there() ? undefined : what)
  return [
    has('a post', () => blog.posts.some((one) => one.slug === 'low-tide' && one.body === own.body)),
    has('a draft, or it was published', () =>
      blog.pages.some((one) => one.title === 'Not yet' && one.state === 'draft' && one.body === draft.body),
    ),
    has('a later text', () => blog.pages.some((one) => one.slug === 'visit' && one.body === text)),
    has('a category', () => blog.categories.some((one) => one.slug === 'boats' && one.description === 'Ours')),
    has('a tag', () => blog.tags.some((one) => one.slug === 'tools' && one.name === 'mine')),
    has('a comment', () => blog.comments.some((one) => one.text === 'Lovely!')),
    has('an upload', () => blog.uploads.some((one) => one.name === 'boat.jpg')),
    has('a link', () => blog.links.some((one) => one.link === 'https://pier.example/')),
  ]
}

/** What the owner plans for a settled blog: some of it under names that they have used meanwhile. */
const changed = (text: string): string =>
  text
    .replace('description: Bikes, lamps', 'description: Lamps, bikes')
    .replace(
      '  - { title: News, slug: news }',
      '  - { title: News, slug: news }\n  - { title: Workshops, slug: workshops }\n  - { title: Team, slug: team, body: pages/home.md }',
    )
    .replace('tags: [opening]', 'tags: [opening, tools]')

type Packages = StandInBlog['blog']['themes']
const packagesOf = (all: Packages) =>
  all
    .map(({ name, version, active, automatic }) => ({ name, version, active, automatic }))
    .sort((a, b) => a.name.localeCompare(b.name))

/** @param isLived whether its owner has worked on it since it was settled */
export async function blogWorld(root: string, isLived: boolean): Promise<World> {
  const site = standInBlog({ standing: 'first-run' })
  const place = await behindTrouble(site)
  const { address } = place
  const options = {
    systems: [standInBlogSystem as System],
    ...(await ownFolders(root)),
    patience: PATIENCE,
    confirm: false,
  }
  const { blog } = site
  let kept: (() => string | undefined)[] = []
  if (isLived) {
    await settle(demoBaseline(address), { ...options, ...CALM })
    kept = lived(site)
  }
  const slugOf = (all: readonly { id: number; slug: string }[], id: number) =>
    all.find((one) => one.id === id)?.slug ?? ''
  return {
    name: isLived ? 'blog in use' : 'blog',
    ...place,
    system: standInBlogSystem,
    options: { ...options, inUse: isLived },
    plan: demoBaseline(address, isLived ? changed : undefined),
    state: () => ({
      standing: blog.standing,
      settings: {
        ...blog.settings,
        defaultCategory: slugOf(blog.categories, blog.settings.defaultCategory),
        frontPage: slugOf(blog.pages, blog.settings.frontPage),
        postsPage: slugOf(blog.pages, blog.settings.postsPage),
        icon: blog.uploads.find(({ id }) => id === blog.settings.icon)?.name,
        // what the blog keeps of its own past
        formerPostAddresses: [],
      },
      pages: blog.pages
        .map(({ slug, title, body, state, parent, order }) => ({
          slug,
          title,
          body,
          state,
          order,
          parent: slugOf(blog.pages, parent),
        }))
        .sort((a, b) => a.slug.localeCompare(b.slug)),
      posts: blog.posts
        .map(({ slug, title, body, state, categories, tags }) => ({
          ...{ slug, title, body, state },
          categories: categories.map((id) => slugOf(blog.categories, id)).sort(),
          tags: tags.map((id) => slugOf(blog.tags, id)).sort(),
        }))
        .sort((a, b) => a.slug.localeCompare(b.slug)),
      categories: blog.categories
        .map(({ slug, name, description, parent }) => ({
          slug,
          name,
          description,
          parent: slugOf(blog.categories, parent),
        }))
        .sort((a, b) => a.slug.localeCompare(b.slug)),
      tags: blog.tags.map(({ slug, name }) => ({ slug, name })).sort((a, b) => a.slug.localeCompare(b.slug)),
      links: blog.links
        .map(({ title, link, category }) => ({ title, link, category: slugOf(blog.linkCategories, category) }))
        .sort((a, b) => a.link.localeCompare(b.link)),
      linkCategories: blog.linkCategories.map(({ slug, name }) => ({ slug, name })),
      menus: Object.fromEntries(
        Object.entries(blog.menus).map(([place, entries]) => [
          place,
          entries.map(({ kind, to, label }) => [
            kind,
            kind === 'link' ? to : slugOf(kind === 'page' ? blog.pages : blog.categories, Number(to)),
            label,
          ]),
        ]),
      ),
      sidebars: blog.sidebars,
      uploads: blog.uploads.map(({ name }) => name).sort(),
      themes: packagesOf(blog.themes),
      addOns: packagesOf(blog.addOns),
      accounts: blog.accounts.map(({ username, email, first, last, shown, role }) => ({
        username,
        email,
        first,
        last,
        shown,
        role,
      })),
      comments: blog.comments.map(({ by, text, state }) => ({ by, text, state })),
    }),
    lost: () => kept.flatMap((one) => one() ?? []),
    twice: () => [
      ...repeated([...blog.pages, ...blog.posts].map(({ title }) => title)),
      ...repeated(blog.categories.map(({ name }) => name)),
      ...repeated(blog.tags.map(({ name }) => name)),
      ...repeated(blog.links.map(({ link }) => link)),
      ...repeated(blog.uploads.map(({ name }) => name)),
      ...repeated(blog.accounts.map(({ username }) => username)),
      ...repeated([...blog.themes, ...blog.addOns].map(({ name }) => name)),
    ],
    letIn: () => [],
  }
}
