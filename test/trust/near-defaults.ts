import { readBaseline, Secret, settle, type System } from 'unpack'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { standInBlog, type StandInBlog } from '../../stand-ins/blog/server/index.js'
import { standInForumSystem } from '../../stand-ins/forum/adapter/index.js'
import { standInForum, type StandInForum } from '../../stand-ins/forum/server/index.js'
import { actions } from '../../stand-ins/forum/server/model.js'
import { ownFolders } from '../help/sites.js'
import { some } from './chance.js'
import { count, emptyTally, type Tally } from './tally.js'

/** One small thing that an owner has changed of what shipped: it is theirs from then on. */
interface Change<S> {
  name: string
  change(site: S): void
  /** Whether it is there still. */
  there(site: S): boolean
}

const edits: [string, (body: string) => string][] = [
  ['a word more', (body) => body.replace('</p>', ' Really.</p>')],
  ['a word less', (body) => body.replace(' ', '')],
  ['another word', (body) => body.replace(/[a-z]{4,}/, 'there')],
  ['a word in front', (body) => body.replace('<p>', '<p>Hello: ')],
  ['a paragraph more', (body) => `${body}<p>And more.</p>`],
  ['a linked word', (body) => body.replace(/([a-z]{5,})/, '<a href="https://pier.example/">$1</a>')],
  ['a linked sentence', (body) => `<a href="/visit">${body}</a>`],
  ['a picture', (body) => `${body}<img src="/files/boat.jpg" alt="">`],
  ['a picture in front', (body) => `<img src="https://pier.example/a.png">${body}`],
  ['a film', (body) => `${body}<video src="/files/tide.mp4"></video>`],
  ['a frame', (body) => `${body}<iframe src="https://pier.example/map"></iframe>`],
  ['a letter changed', (body) => body.replace('e', 'é')],
  ['a number', (body) => body.replace('</p>', ' 7</p>')],
  ['a capital', (body) => body.replace(/ ([a-z])/, (_all, letter: string) => ` ${letter.toUpperCase()}`)],
  ['a list behind it', (body) => `${body}<ul><li>One</li></ul>`],
  ['a heading in front', (body) => `<h2>Here</h2>${body}`],
  ['twice the same', (body) => body + body],
  ['the last word gone', (body) => body.replace(/ [^ ]+<\/p>$/, '</p>')],
  ['a sentence in brackets', (body) => body.replace('</p>', ' (And so on.)</p>')],
  ['nothing left', () => ''],
]

function ofBlog(): Change<StandInBlog>[] {
  const now = '2027-03-05T14:07:00.000Z'
  const entries = [
    ['posts', 1],
    ['pages', 2],
    ['pages', 3],
  ] as const
  const at = ({ blog }: StandInBlog, room: 'posts' | 'pages', id: number) => blog[room].find((one) => one.id === id)
  const texts = entries.flatMap(([room, id]) =>
    edits.flatMap(([name, edit]) =>
      // through the dashboard, which notes when; or behind its back
      [true, false].map((noted): Change<StandInBlog> => {
        let text = ''
        return {
          name: `${room} ${id}: ${name}${noted ? '' : ', unnoted'}`,
          change: (site) => {
            const entry = at(site, room, id)
            if (!entry) return
            text = edit(entry.body)
            Object.assign(entry, { body: text, ...(noted && { edited: now }) })
          },
          there: (site) => at(site, room, id)?.body === text,
        }
      }),
    ),
  )
  const fields = entries.flatMap(([room, id]) =>
    (['title', 'slug'] as const).map((key): Change<StandInBlog> => ({
      name: `${room} ${id}: another ${key}`,
      change: (site) => Object.assign(at(site, room, id) ?? {}, { [key]: 'ours', edited: now }),
      there: (site) => at(site, room, id)?.[key] === 'ours',
    })),
  )
  const set = <T extends object>(
    name: string,
    pick: (site: StandInBlog) => T | undefined,
    more: Partial<T>,
  ): Change<StandInBlog> => ({
    name,
    change: (site) => Object.assign(pick(site) ?? {}, more),
    there: (site) => {
      const one = pick(site) as Record<string, unknown> | undefined
      return one !== undefined && Object.entries(more).every(([key, value]) => one[key] === value)
    },
  })
  const lines = [
    ['another label', [{ kind: 'page', to: '2', label: 'See An example page' }]],
    ['a word in front', [{ kind: 'page', to: '2', label: 'To An example page' }]],
    ['another target', [{ kind: 'link', to: 'https://pier.example/', label: 'An example page' }]],
    [
      'an entry more',
      [
        { kind: 'page', to: '2', label: 'An example page' },
        { kind: 'link', to: 'https://pier.example/', label: 'Pier' },
      ],
    ],
    ['a draft', [{ kind: 'page', to: '3', label: 'An example page' }]],
  ] as const
  return [
    ...texts,
    ...fields,
    set('comment: another text', ({ blog }) => blog.comments.find(({ id }) => id === 1), {
      text: 'This is what we think.',
    }),
    set('comment: a word more', ({ blog }) => blog.comments.find(({ id }) => id === 1), {
      text: 'This is what a comment looks like. It came with the blog; take it away whenever you like. Or not.',
    }),
    ...(['name', 'slug', 'description'] as const).map((key) =>
      set(`category: ${key}`, ({ blog }) => blog.categories.find(({ id }) => id === 1), { [key]: 'ours' }),
    ),
    ...(['title', 'description'] as const).map((key) =>
      set(`link: ${key}`, ({ blog }) => blog.links.find(({ id }) => id === 1), { [key]: 'Ours' }),
    ),
    set('link: leads elsewhere', ({ blog }) => blog.links.find(({ id }) => id === 1), {
      link: 'https://pier.example/',
    }),
    set('link: in no category', ({ blog }) => blog.links.find(({ id }) => id === 1), { category: 0 }),
    ...(['name', 'slug'] as const).map((key) =>
      set(`link category: ${key}`, ({ blog }) => blog.linkCategories.find(({ id }) => id === 1), { [key]: 'ours' }),
    ),
    ...['1.0.1', '1.1', '0.9', '1.0-ours', '2.0', ''].flatMap((version) => [
      set(`theme: version ${version}`, ({ blog }) => blog.themes.find(({ name }) => name === 'plainer'), { version }),
      set(`add-on: version ${version}`, ({ blog }) => blog.addOns.find(({ name }) => name === 'smileys'), { version }),
    ]),
    set('add-on: at work', ({ blog }) => blog.addOns.find(({ name }) => name === 'smileys'), { active: true }),
    ...lines.map(([name, entries]): Change<StandInBlog> => ({
      name: `menu: ${name}`,
      change: ({ blog }) => (blog.menus.main = entries.map((entry) => ({ ...entry }))),
      there: ({ blog }) => JSON.stringify(blog.menus.main) === JSON.stringify(entries),
    })),
    ...[['latest posts'], ['archives', 'latest posts'], ['latest posts', 'archives', 'tags'], ['search']].map(
      (parts): Change<StandInBlog> => ({
        name: `sidebar: ${parts.join(', ')}`,
        change: ({ blog }) => (blog.sidebars.main = [...parts]),
        there: ({ blog }) => blog.sidebars.main?.join() === parts.join(),
      }),
    ),
  ]
}

function ofForum(): Change<StandInForum>[] {
  const forum = ({ board }: StandInForum) => board.forums.find(({ id }) => id === 2)
  const category = ({ board }: StandInForum) => board.categories.find(({ id }) => id === 1)
  const topic = ({ board }: StandInForum) => board.topics.find(({ id }) => id === 3)
  const subjects = ['everyone', 'members', 'moderators', 'administrators'] as const
  const rights = actions.flatMap((action) =>
    subjects.map((who): Change<StandInForum> => {
      let now = ''
      return {
        name: `forum: ${who} and ${action}`,
        change: (site) => {
          const may = forum(site)?.may
          if (!may) return
          may[action] = may[action].includes(who) ? may[action].filter((one) => one !== who) : [...may[action], who]
          now = JSON.stringify(may)
        },
        there: (site) => JSON.stringify(forum(site)?.may) === now,
      }
    }),
  )
  const set = <T extends object>(
    name: string,
    pick: (site: StandInForum) => T | undefined,
    more: Partial<T>,
  ): Change<StandInForum> => ({
    name,
    change: (site) => Object.assign(pick(site) ?? {}, more),
    there: (site) => {
      const one = pick(site) as Record<string, unknown> | undefined
      return one !== undefined && Object.entries(more).every(([key, value]) => one[key] === value)
    },
  })
  const text = (site: StandInForum) => topic(site)?.posts[0]
  return [
    ...rights,
    ...(['title', 'description'] as const).flatMap((key) => [
      set(`forum: ${key}`, forum, { [key]: 'Ours' }),
      set(`category: ${key}`, category, { [key]: 'Ours' }),
    ]),
    set('forum: locked', forum, { locked: true }),
    ...[1, 7, 30, 90, 365].map((days) =>
      set(`forum: old topics go after ${days} days`, forum, { removeOldAfter: days }),
    ),
    set('topic: edited', topic, { edited: '2027-03-05T14:07:00.000Z' }),
    set('topic: moved', topic, { by: 7 }),
    ...['Our words.', 'This post came with the forum.', ''].map((words) =>
      set(`topic: the text “${words}”`, text, { text: words }),
    ),
    {
      name: 'topic: a reply',
      change: (site) =>
        topic(site)?.posts.push({
          id: 99,
          by: 1,
          text: 'Yes?',
          made: '2027-03-05T14:07:00.000Z',
          edited: '2027-03-05T14:07:00.000Z',
        }),
      there: (site) => topic(site)?.posts.length === 2,
    },
  ]
}

const OWNER = { username: 'boss', password: 'harbour-light-41' }

/** Sites with one small change of their owner's: a plan that removes what shipped leaves it where it is. */
export async function nearDefaults(root: string, random: () => number, most = Infinity): Promise<Tally> {
  const tally = emptyTally()
  const plan = (address: string) =>
    readBaseline(
      `unpack: 1\nsite: { address: "${address}" }\nowner: { username: boss, password: stored }\nshipped: remove`,
    ).baseline
  const blogs = ofBlog().map((one) => ({ ...one, kind: 'blog' as const }))
  const forums = ofForum().map((one) => ({ ...one, kind: 'forum' as const }))
  const chosen = some([...blogs, ...forums], most, random)
  tally.cases = { tried: chosen.length, of: blogs.length + forums.length }
  for (const one of chosen) {
    tally.runs += 1
    const blog = one.kind === 'blog' ? standInBlog({ standing: 'fresh', owner: OWNER }) : undefined
    const forum = one.kind === 'forum' ? standInForum({ owner: OWNER }) : undefined
    const site = blog ?? forum
    if (!site) continue
    const address = await site.listen(0)
    if (one.kind === 'blog' && blog) one.change(blog)
    if (one.kind === 'forum' && forum) one.change(forum)
    const folders = await ownFolders(root)
    await folders.logins.put(address, OWNER.username, new Secret(OWNER.password))
    const systems = [(blog ? standInBlogSystem : standInForumSystem) as System]
    try {
      await settle(plan(address), { systems, ...folders, confirm: false, inUse: random() < 0.5 })
    } catch {
      // refused is as good as left alone
    }
    const isThere =
      one.kind === 'blog' && blog ? one.there(blog) : one.kind === 'forum' && forum ? one.there(forum) : false
    if (!isThere) count(tally, 'lost', `${one.kind}: ${one.name}`)
    await site.close()
  }
  return tally
}

export const nearDefaultCount = (): number => ofBlog().length + ofForum().length
