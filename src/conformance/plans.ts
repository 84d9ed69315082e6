import type { ConformanceSite } from './site.js'

/* Plans that cases of several areas start from. */

/** A title with signs that HTML knows: what looks like tags, entities, quotes. Visitors should read it sign by sign. */
export const signs = 'Welcome to the <Anchor> & "Rope": 1 < 2, <b>not bold</b>, &amp; and &lt; as letters'

/** A post that was made on a day of its own. */
export const kelp = { title: 'Kelp', slug: 'kelp', date: '2026-03-05T14:07' }

/** A category with three forums. */
export const shore = {
  title: 'On the shore',
  description: 'What the sea left',
  forums: [
    { title: 'Rock pools', description: 'Anemones & <blennies>' },
    { title: 'Strandline' },
    { title: 'Counting' },
  ],
}

export const volunteers = 'Survey volunteers'
export const members = [
  { username: 'kelp', email: 'kelp@tidepool.example', groups: [volunteers] },
  { username: 'limpet', email: 'limpet@tidepool.example' },
]
/** Who may do what where raw counts are kept. */
export const raw = {
  see: 'members',
  read: [volunteers],
  start: 'moderators',
  reply: [volunteers],
  notice: 'administrators',
}
/** Two members, one of them in a group, and five forums that not everybody may read. */
export const watchers = (site: ConformanceSite, access: object = raw, more: object = {}) =>
  site.baseline({
    shipped: 'remove',
    groups: [{ name: volunteers }],
    members,
    forums: [
      {
        title: 'On the shore',
        forums: [{ title: 'Rock pools' }, { title: 'Strandline', access: { start: 'moderators' } }],
      },
      {
        title: 'Surveys',
        forums: [
          { title: 'How to count', locked: true },
          { title: 'Raw counts', access },
          { title: 'The chest', access: { see: 'administrators' } },
        ],
      },
    ],
    ...more,
  })

/** With the theme from an archive, where a system has themes: it has places for menus, and a sidebar. */
export const themed = (site: ConformanceSite, rest: object = {}) =>
  site.baseline({
    ...(site.system.areas.theme && {
      theme: { use: site.provided.archives.theme.use, from: 'theme.zip' },
      files: { 'theme.zip': site.provided.archives.theme.bytes },
    }),
    ...rest,
  })

/** Texts of a museum's pages. */
export const museumFiles = {
  'rota.md': 'Kelp on *Mondays*.\n\n![The shed](shed.png)\n',
  'visit.md': 'Bring boots: [the rota](../rota/).\n',
  'hours.md': 'From ten to four.\n',
}
const walkers = [{ name: 'Volunteers' }, { name: 'Keepers of the key' }]
const crew = [
  { username: 'hemp', email: 'hemp@ropewalk.example', groups: ['Volunteers'] },
  { username: 'oakum', email: 'oakum@ropewalk.example', groups: ['Volunteers', 'Keepers of the key'] },
  { username: 'tar', email: 'tar@ropewalk.example' },
]
const hours = { title: 'Hours', slug: 'hours', body: 'hours.md' }
/** A museum with two groups, three members, and a page whose readers a case chooses. */
export const museum = (site: ConformanceSite, rota: object, more: object = {}) =>
  site.baseline({
    groups: walkers,
    members: crew,
    pages: [
      {
        title: 'Visit',
        slug: 'visit',
        body: 'visit.md',
        under: [hours, { ...hours, title: 'Night', slug: 'night', state: 'draft' }],
      },
      { title: 'Rota', slug: 'rota', body: 'rota.md', ...rota },
    ],
    files: { ...museumFiles, 'shed.png': site.provided.icon },
    ...more,
  })
