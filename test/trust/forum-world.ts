import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { MailFolder, Secret, settle, type System } from 'unpack'
import { standInForumSystem } from '../../stand-ins/forum/adapter/index.js'
import { standInForum, type StandInForum } from '../../stand-ins/forum/server/index.js'
import { mayIn, usualRights } from '../../stand-ins/forum/server/rights.js'
import { standInMail } from '../../stand-ins/mail/server.js'
import { ownFolders } from '../help/sites.js'
import { watchers } from '../help/watchers.js'
import { behindTrouble, PATIENCE, repeated, type World, CALM } from './world.js'

const at = '2027-03-05T14:07:00.000Z'

/** What members and the owner have made of a settled forum since; somebody has taken a name that the next plan has. */
function lived({ board }: StandInForum): (() => string | undefined)[] {
  const account = (username: string, role: 'member' = 'member') => {
    const one = {
      ...{
        id: board.next++,
        username,
        shown: username,
        email: `${username}@harbour.example`,
        password: 'a-shell-of-ones-own',
      },
      ...{ made: at, role, groups: [] as number[], wrong: 0, lockedUntil: 0, lastPost: 0 },
    }
    board.accounts.push(one)
    return one
  }
  const whelk = account('whelk')
  const dulse = account('dulse')
  const pools = board.forums.find(({ title }) => title === 'Rock pools')
  const mine = {
    id: board.next++,
    category: board.categories[0]?.id ?? 1,
    title: 'Boats',
    description: 'Ours',
    locked: true,
    removeOldAfter: 90,
  }
  board.forums.push({ ...mine, may: { ...usualRights(), see: ['administrators'], read: ['administrators'] } })
  const crew = { id: board.next++, name: 'Crew', description: 'Those who row' }
  const keepers = { id: board.next++, name: 'Keepers', description: 'Of the keys' }
  board.groups.push(crew, keepers)
  whelk.groups.push(crew.id, keepers.id)
  for (const [forum, title] of [
    [pools?.id ?? 0, 'A crab'],
    [mine.id, 'Oars'],
  ] as const)
    board.topics.push({
      ...{ id: board.next++, forum, title, by: whelk.id, made: at, edited: at },
      posts: [{ id: board.next++, by: whelk.id, text: 'Look!', made: at, edited: at }],
    })
  const has = (what: string, there: () => boolean) => () => (there() ? undefined : what)
  return [
    has('a topic', () => board.topics.some(({ title }) => title === 'A crab')),
    has('a topic of a forum of theirs', () =>
      board.topics.some(({ title, forum }) => title === 'Oars' && forum === mine.id),
    ),
    has('a forum', () =>
      board.forums.some((one) => one.title === 'Boats' && one.description === 'Ours' && one.removeOldAfter === 90),
    ),
    has('a group', () =>
      board.groups.some(({ name, description }) => name === 'Crew' && description === 'Those who row'),
    ),
    has('a member', () =>
      board.accounts.some(({ username, password }) => username === 'whelk' && password === whelk.password),
    ),
    has('the account of a stranger', () =>
      board.accounts.some(
        ({ id, email, groups }) => id === dulse.id && email === 'dulse@harbour.example' && groups.length === 0,
      ),
    ),
  ]
}

/** The next plan: one more member, whose name somebody has taken, and a group that somebody has made. */
const changed = (text: string): string =>
  text
    .replace('What we found between the tides', 'What the tide left')
    .replace(
      '  - { name: Survey volunteers,',
      '  - { name: Keepers, description: Of the sheets }\n  - { name: Survey volunteers,',
    )
    .replace(
      '      - { title: Strandline, description: Washed up and worth a look }',
      '      - { title: Strandline, description: Washed up and worth a look }\n      - { title: Nets, description: Mended here, access: { see: [Keepers], read: [Keepers] } }',
    )
    .replace(
      '  - { username: limpet,',
      '  - { username: dulse, email: dulse@tidepool.example, groups: [Survey volunteers], password: made }\n  - { username: limpet,',
    )

export async function forumWorld(root: string, isLived: boolean): Promise<World> {
  const mails = join(root, randomUUID())
  const post = await standInMail(mails, 0)
  const site = standInForum({ mail: post.port })
  const place = await behindTrouble(site, post)
  const { address } = place
  const folders = await ownFolders(root)
  await folders.logins.put(address, 'boss', new Secret('harbour-light-41'), { temporary: true })
  const mailbox = new MailFolder(mails)
  const options = { systems: [standInForumSystem as System], ...folders, mailbox, patience: PATIENCE, confirm: false }
  const { board } = site
  let kept: (() => string | undefined)[] = []
  if (isLived) {
    await settle(watchers(address), { ...options, ...CALM })
    kept = lived(site)
  }
  const groupOf = (who: string) => board.groups.find(({ id }) => who === `group ${id}`)?.name ?? who
  const plain = ({ title, description, locked, removeOldAfter, may }: (typeof board.forums)[number]) => ({
    ...{ title, description, locked, removeOldAfter },
    may: Object.fromEntries(
      Object.entries(may).map(([action, who]) => [
        action,
        // whoever lets members in lets everybody in a group in as well, ticked or not
        who.map(groupOf).filter((one) => !board.groups.some(({ name }) => name === one) || !who.includes('members')),
      ]),
    ),
  })
  return {
    name: isLived ? 'forum in use' : 'forum',
    ...place,
    system: standInForumSystem,
    options: { ...options, inUse: isLived },
    mails,
    plan: watchers(address, isLived ? changed : undefined),
    state: () => ({
      settings: board.settings,
      groups: board.groups
        .map(({ name, description }) => ({ name, description }))
        .sort((a, b) => a.name.localeCompare(b.name)),
      categories: board.categories.map(({ title, description }) => ({ title, description })),
      // in which order forums of different categories were made is nowhere to be seen
      forums: board.categories.map(({ id, title }) => [
        title,
        board.forums.filter(({ category }) => category === id).map(plain),
      ]),
      accounts: board.accounts
        .map(({ username, email, role, groups, waits }) => ({
          username,
          email,
          role,
          waits,
          groups: groups.map((id) => groupOf(`group ${id}`)).sort(),
        }))
        .sort((a, b) => a.username.localeCompare(b.username)),
      topics: board.topics.map(({ title }) => title).sort(),
      themes: board.themes.map(({ name, active }) => ({ name, active })),
      addOns: board.addOns.map(({ name, active }) => ({ name, active })),
      shared: board.shared.size,
    }),
    lost: () => kept.flatMap((one) => one() ?? []),
    twice: () => [
      ...repeated(board.categories.map(({ title }) => title)),
      ...repeated(board.forums.map(({ title, category }) => `${category}/${title}`)),
      ...repeated(board.groups.map(({ name }) => name)),
      ...repeated(board.accounts.map(({ username }) => username)),
    ],
    letIn: () =>
      isLived
        ? board.accounts
            .filter(({ username }) => username === 'dulse' || username === 'whelk')
            .flatMap((account) =>
              board.forums
                .filter(({ title }) => ['Raw counts', 'Nets'].includes(title))
                .filter((forum) => mayIn(board, forum, account).has('read'))
                .map(({ title }) => `${account.username} reads “${title}”`),
            )
        : [],
  }
}
