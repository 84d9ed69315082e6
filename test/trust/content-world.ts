import { Secret, settle, type System } from 'unpack'
import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { standInContent, type StandInContent } from '../../stand-ins/content/server/index.js'
import { pathOf, rights, type Account, type Page } from '../../stand-ins/content/server/model.js'
import { may, maySee } from '../../stand-ins/content/server/reading.js'
import { museumBaseline } from '../help/museum.js'
import { ownFolders } from '../help/sites.js'
import { behindTrouble, CALM, PATIENCE, repeated, type World } from './world.js'

const at = '2027-03-05T14:07:00.000Z'
const keeper = { username: 'keeper', password: 'harbour-light-41' }

/** What members and the owner have made of a settled museum since; somebody has taken names that the next plan has. */
function lived({ content }: StandInContent): (() => string | undefined)[] {
  const account = (username: string): Account => {
    const names = { username, shown: username, first: '', last: '', email: `${username}@harbour.example` }
    const rest = { password: 'a-shell-of-ones-own', made: at, role: 'member' as const, groups: [], waits: false }
    const one = { id: content.next++, ...names, ...rest }
    content.accounts.push(one)
    return one
  }
  const whelk = account('whelk')
  const dulse = account('dulse')
  const group = { id: content.next++, name: 'Keepers', description: 'Of the keys' }
  content.groups.push(group)
  whelk.groups.push(group.id)
  const page = (title: string, slug: string, parent = 0, more: Partial<Page> = {}) => {
    content.pages.push({
      ...{ id: content.next++, title, slug, parent, order: 40, summary: '', body: `<p>${title}, ours.</p>` },
      ...{ tags: [], state: 'published', by: whelk.id, made: at, edited: at, hidden: false, formerly: [] },
      ...{ inherit: true, shared: { read: [], write: [], edit: [] } },
      ...more,
    })
  }
  page('Boats', 'boats')
  page('Nets', 'nets')
  const rota = content.pages.find(({ slug }) => slug === 'rota')
  page('Who holds the key', 'key', rota?.id, { state: 'private' })
  const walk = content.pages.find(({ slug }) => slug === 'the-walk')
  if (walk) Object.assign(walk, { body: '<p>Walked by the owner.</p>', edited: at })
  const has = (what: string, there: () => boolean) => () => (there() ? undefined : what)
  const stands = (title: string, slug: string) => () =>
    content.pages.some((one) => one.slug === slug && one.title === title && one.body === `<p>${title}, ours.</p>`)
  return [
    has('a page', stands('Boats', 'boats')),
    has('a page under a planned name', stands('Nets', 'nets')),
    has('a page below one of ours', stands('Who holds the key', 'key')),
    has('a text of the owner’s', () => walk?.body === '<p>Walked by the owner.</p>'),
    has('a group', () => content.groups.some(({ description }) => description === 'Of the keys')),
    has('a member', () => content.accounts.some(({ id, groups }) => id === whelk.id && groups.length === 1)),
    has('the account of a stranger', () =>
      content.accounts.some(
        ({ id, email, groups }) => id === dulse.id && email === 'dulse@harbour.example' && groups.length === 0,
      ),
    ),
  ]
}

/** The next plan: a page and a member whose names somebody has taken, and a page for a group that somebody has made. */
const changed = (text: string): string =>
  text
    .replace('A quarter mile of rope and the people who walked it', 'A quarter mile of rope')
    .replace('  - { name: Volunteers,', '  - { name: Keepers, description: Of the rope }\n  - { name: Volunteers,')
    .replace(
      '  - { title: Imprint,',
      '  - { title: Nets, slug: nets, body: pages/rota.md, for: [Volunteers] }\n  - { title: Loft, slug: loft, body: pages/rota.md, for: [Keepers] }\n  - { title: What is on, slug: events, body: pages/rota.md }\n  - { title: Imprint,',
    )
    .replace(
      '  - { username: tar,',
      '  - { username: dulse, email: dulse@ropewalk.example, groups: [Volunteers] }\n  - { username: tar,',
    )

/** The museum on a stand-in, settled and lived in or waiting for its first run. */
export async function contentWorld(root: string, isLived: boolean): Promise<World> {
  const site = standInContent({ keeper })
  const place = await behindTrouble(site)
  const { address } = place
  const folders = await ownFolders(root)
  await folders.logins.put(address, keeper.username, new Secret(keeper.password))
  const options = { systems: [standInContentSystem as System], ...folders, patience: PATIENCE, confirm: false }
  const { content } = site
  const museum = (change = (text: string) => text) =>
    museumBaseline(address, (text) => change(text.replace('signInAs: boss', 'signInAs: keeper')))
  let kept: (() => string | undefined)[] = []
  if (isLived) {
    await settle(museum(), { ...options, ...CALM })
    kept = lived(site)
  }
  const who = (one: string) => content.groups.find(({ id }) => one === `group ${id}`)?.name ?? one
  const sorted = <T>(all: readonly T[], by: (one: T) => string) => all.toSorted((a, b) => by(a).localeCompare(by(b)))
  const nameOf = (number: number) => content.uploads.find(({ id }) => id === number)?.name
  return {
    name: isLived ? 'content in use' : 'content',
    ...place,
    system: standInContentSystem,
    options: { ...options, inUse: isLived },
    plan: museum(isLived ? changed : undefined),
    state: () => ({
      settings: {
        ...content.settings,
        icon: nameOf(content.settings.icon),
        logo: nameOf(content.settings.logo),
        frontPage: content.pages.find(({ id }) => id === content.settings.frontPage)?.slug,
      },
      pages: sorted(content.pages, (page) => pathOf(content, page)).map((page) => ({
        ...{ path: pathOf(content, page), title: page.title, state: page.state, body: page.body, tags: page.tags },
        ...{ hidden: page.hidden, summary: page.summary, formerly: page.formerly },
        shared: rights.map((right) => page.shared[right].map(who)),
      })),
      news: content.news.map(({ title, slug, body, state }) => ({ title, slug, body, state })),
      events: content.events.map(({ title, slug, start, end, place, state }) => [
        title,
        slug,
        start,
        end,
        place,
        state,
      ]),
      uploads: sorted(content.uploads, ({ name }) => name).map(({ name, read }) => [name, read.map(who)]),
      groups: sorted(content.groups, ({ name }) => name).map(({ name, description }) => ({ name, description })),
      accounts: sorted(content.accounts, ({ username }) => username).map(({ username, email, role, groups }) => ({
        ...{ username, email, role },
        groups: groups.map((id) => who(`group ${id}`)).sort(),
      })),
      themes: content.themes.map(({ name, active }) => ({ name, active })),
      addOns: content.addOns.map(({ name, active }) => ({ name, active })),
      menu: content.menu.map(({ kind, label }) => ({ kind, label })),
      columns: content.columns,
    }),
    lost: () => kept.flatMap((one) => one() ?? []),
    twice: () => [
      ...repeated(content.pages.map((page) => pathOf(content, page))),
      ...repeated([...content.news, ...content.events].map(({ slug }) => slug)),
      ...repeated(content.groups.map(({ name }) => name)),
      ...repeated(content.accounts.map(({ username }) => username)),
      ...repeated(content.uploads.map(({ name }) => name)),
    ],
    letIn() {
      const closed = content.pages.filter(({ slug }) => ['rota', 'key', 'loft', 'night'].includes(slug))
      const strangers = content.accounts.filter(({ username }) => ['dulse', 'whelk', 'tar'].includes(username))
      return [undefined, ...strangers].flatMap((account) => [
        ...closed
          .filter((page) => may(content, account, 'read', page))
          .map(({ title }) => `${account?.username ?? 'a visitor'} reads “${title}”`),
        ...content.uploads
          .filter((upload) => upload.read.length > 0 && maySee(account, upload))
          .map(({ name }) => `${account?.username ?? 'a visitor'} sees ${name}`),
      ])
    },
  }
}
