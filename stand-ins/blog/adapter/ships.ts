import { flatCategories, type Baseline, type Marks, type Reading } from 'unpack'

const shipped: Marks = { place: true, untouched: true, known: true }

/** What the first-run form will leave. */
export function ships(baseline: Baseline): Reading {
  const relieved = flatCategories(baseline).some((one) => one.default)
  const used = baseline.theme?.use ?? 'plain'
  return {
    owner: [],
    site: [
      {
        id: 'site',
        item: {
          title: '',
          description: '',
          language: 'en',
          timezone: 'UTC',
          date: 'y-MM-dd',
          time: 'HH:mm',
          weekStarts: 'sunday',
          icon: '',
          searchEngines: 'welcome',
          contact: '',
        },
      },
    ],
    categories: [
      {
        id: 1,
        item: { name: 'Everything', slug: 'everything', description: '', parent: '', default: true },
        marks: { ...shipped, needed: !relieved },
      },
    ],
    pages: [
      {
        id: 2,
        item: { title: 'An example page', slug: 'an-example-page', state: 'published', parent: '', order: 0 },
        marks: shipped,
      },
      {
        id: 3,
        item: { title: 'Data and privacy', slug: 'data-and-privacy', state: 'draft', parent: '', order: 0 },
        marks: { ...shipped, hidden: true },
      },
    ],
    posts: [{ id: 1, item: { title: 'A first post', slug: 'a-first-post' }, marks: shipped }],
    comments: [{ id: 1, item: { key: '1', by: 'The blog itself', on: 'posts/a-first-post' }, marks: shipped }],
    theme: ['plain', 'plainer'].map((use, index) => ({
      id: index + 1,
      item: { use, active: index === 0, version: '1.0' },
      marks: { ...shipped, needed: use === used },
    })),
    addOns: [{ id: 1, item: { use: 'smileys', active: false, version: '1.0', updates: 'by hand' }, marks: shipped }],
    frontPage: [{ id: 'frontPage', item: { page: '', posts: '' } }],
    menus: [
      {
        id: 'main',
        item: { place: 'main', entries: [{ ref: 'pages/an-example-page', label: 'An example page' }] },
        marks: shipped,
      },
    ],
    sidebars: [{ id: 'main', item: { place: 'main', parts: ['latest posts', 'archives'] }, marks: shipped }],
    linkCategories: [{ id: 1, item: { name: 'Elsewhere', slug: 'elsewhere' }, marks: shipped }],
    links: [
      {
        id: 1,
        item: {
          title: 'The makers of this blog',
          link: 'https://stand-in.example/',
          description: 'They wrote it',
          category: 'linkCategories/elsewhere',
        },
        marks: shipped,
      },
    ],
    publishing: [
      {
        id: 'publishing',
        item: {
          postsPerPage: 10,
          postAddress: '/post/{slug}',
          feedPosts: 20,
          feedShows: 'whole',
          newPostNotices: ['http://notices.harbour.example/'],
        },
      },
    ],
    commenting: [{ id: 'commenting', item: { allowed: true, approve: 'newcomers', linksBeforeApproval: 2 } }],
    signUp: [{ id: 'signUp', item: { open: true, role: 'reader' } }],
    updates: [
      {
        id: 'updates',
        item: { system: 'fixes', themes: 'by hand', addOns: 'by hand', waiting: ['add-on smileys 1.1'] },
      },
    ],
    address: [{ id: 'address', item: { address: baseline.site.reachedAt ?? baseline.site.address } }],
    media: [],
    tags: [],
    members: [],
  }
}
