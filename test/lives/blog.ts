import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { standInBlog } from '../../stand-ins/blog/server/index.js'
import { pathOf, type Page } from '../../stand-ins/blog/server/model.js'
import { body, newMenu, other, otherPlace, text, things } from './hands.js'
import { PlanFile } from './plan-file.js'
import { bodies, now, paragraph, textOf } from './values.js'
import type { Plan, Site, Thing } from './site.js'

/** A stand-in blog that waits for its first run. */
export function blogSite(): Site {
  const running = standInBlog({ standing: 'first-run' })
  const { blog } = running
  const entry = (name: string, word: string) => ({
    ...{ id: blog.next++, title: name, slug: name, body: paragraph(word), state: 'published', by: 0 },
    ...{ made: now(), edited: now() },
  })
  const idOf = (room: 'pages' | 'categories' | 'tags', slug: unknown) => blog[room].find((one) => one.slug === slug)?.id
  return {
    running,
    system: standInBlogSystem,
    isThere: () => blog.standing === 'set up',
    logins: [],
    always: ['site'],
    plannable: [
      {
        ref: 'site',
        values: { title: ['Tidepool', 'Tidepools'], description: [undefined, 'Low water', 'High water'] },
      },
      { ref: 'commenting', values: { approve: ['newcomers', 'all', 'none'] } },
      { ref: 'pages/news', values: { title: ['News', 'Latest'], body: bodies, state: [undefined, 'draft'] } },
      { ref: 'pages/team', values: { title: ['Team', 'Crew'], body: bodies } },
      { ref: 'pages/team/rota', values: { title: ['Rota', 'Turns'], body: bodies, state: ['draft', undefined] } },
      {
        ref: 'posts/tides',
        values: {
          title: ['Tides', 'Ebbs'],
          body: bodies,
          categories: [undefined, ['boats']],
          tags: [undefined, ['nets']],
        },
      },
      { ref: 'categories/boats', values: { name: ['Boats', 'Ships'], description: [undefined, 'Afloat', 'Ashore'] } },
      {
        ref: 'menus/main',
        values: { entries: [[], [{ page: 'news' }], [{ link: 'https://pier.example/', label: 'Pier' }]] },
      },
    ],
    baseline(address, plan, isShippedRemoved) {
      const file = new PlanFile(plan)
      const slug = (_ref: string, name: string) => ({ slug: name })
      const rota = file.list('pages/team', slug)
      const has = (ref: string) => plan.has(ref)
      const menu = (plan.get('menus/main')?.entries ?? []) as { page?: string }[]
      return file.baseline({
        site: { address, title: 'Tidepool', ...file.values('site') },
        owner: { username: 'marlow', email: 'marlow@quay.example' },
        ...(isShippedRemoved && { shipped: 'remove' }),
        ...(has('commenting') && { comments: file.values('commenting') }),
        pages: file.list('pages', (ref, name) => ({ slug: name, ...(ref === 'pages/team' && { under: rota }) })),
        posts: file.list('posts', (_ref, name) => ({
          slug: name,
          ...(!has('categories/boats') && { categories: undefined }),
        })),
        categories: file.list('categories', slug),
        ...(has('menus/main') && {
          menus: { main: menu.filter(({ page }) => page === undefined || has(`pages/${page}`)) },
        }),
      })
    },
    rooms: () => ({
      ...{ pages: things(blog.pages), posts: things(blog.posts), categories: things(blog.categories) },
      ...{ tags: things(blog.tags), links: things(blog.links), comments: things(blog.comments) },
      ...{ uploads: things(blog.uploads), accounts: things(blog.accounts), addOns: things(blog.addOns) },
      menus: Object.keys(blog.menus).map((id) => ({
        id,
        get entries() {
          return (blog.menus[id] ?? []).map(({ kind, to }) => `${kind} ${to}`)
        },
        /** An entry for a page that is gone is shown to nobody. */
        get visible() {
          return this.entries.filter(
            (one) => !one.startsWith('page ') || blog.pages.some(({ id }) => one === `page ${id}`),
          )
        },
        set entries(links: string[]) {
          blog.menus[id] = links.map((to) => ({ kind: 'link', to, label: to }))
        },
      })),
    }),
    settings: () => blog.settings as unknown as Thing,
    refOf(room, thing, field = '') {
      if (room === 'settings') return ['approve', 'commentsAllowed'].includes(field) ? 'commenting' : 'site'
      if (room === 'menus') return `menus/${thing.id}`
      if (room === 'pages') return `pages/${pathOf(blog.pages, thing as unknown as Page)}`
      return `${room}/${textOf(thing.slug ?? thing.id)}`
    },
    expects(ref, values, plan) {
      const { name, title, body, state, description, entries, categories, tags, approve } = values
      const boats = plan.has('categories/boats') ? idOf('categories', 'boats') : undefined
      return {
        ...(name !== undefined && { name }),
        ...(title !== undefined && { title }),
        ...(body !== undefined && { body: paragraph(body) }),
        ...(/^(pages|posts)/.test(ref) && { state: state ?? 'published' }),
        ...(description !== undefined && { description }),
        ...(approve !== undefined && { approve }),
        ...(categories !== undefined && boats !== undefined && { categories: [boats] }),
        ...(tags !== undefined && { tags: [idOf('tags', 'nets')] }),
        ...(entries !== undefined && {
          visible: (entries as { page?: string; link?: string }[])
            .filter(({ page }) => page === undefined || plan.has(`pages/${page}`))
            .map(({ page, link }) => (page === undefined ? `link ${link}` : `page ${idOf('pages', page)}`)),
        }),
      }
    },
    audience: (room, thing) => (/^(pages|posts)$/.test(room) && thing.state === 'published' ? ['read everyone'] : []),
    plannedAudience(plan: Plan, ref) {
      const values = plan.get(ref)
      return values && (values.state === 'draft' ? [] : ['read everyone'])
    },
    standing: ({ role }) => [String(role)],
    plannedStanding: (_plan, { username }) => (username === 'marlow' ? ['owner'] : []),
    edits: {
      pages: { title: text, body, parent: otherPlace(() => blog.pages), state: other('state', 'draft', 'published') },
      posts: { title: text, body, state: other('state', 'draft', 'published') },
      categories: { name: text, description: text },
      settings: {
        ...{ title: text, description: text },
        approve: other('approve', 'all', 'none'),
        joinOpen: other('joinOpen', true, false),
      },
      menus: { entries: newMenu },
    },
    adds: {
      pages: (name, word) => ({ ...entry(name, word), parent: 0, order: 9 }),
      posts: (name, word) => ({
        ...{ ...entry(name, word), categories: [], tags: [], date: now().slice(0, 16), open: true },
      }),
      categories: (name, word) => ({ id: blog.next++, name, slug: name, description: word, parent: 0 }),
      tags: (name, word) => ({ id: blog.next++, name: word, slug: name }),
      comments: (_name, word) => ({
        ...{
          id: blog.next++,
          post: blog.posts[0]?.id ?? 0,
          by: `Private ${word}`,
          text: `Private ${word}`,
          made: now(),
        },
        state: 'held',
      }),
      accounts: (name, word) => ({
        ...{ id: blog.next++, username: name, first: '', last: '', shown: name, email: `private-${word}@sea.example` },
        ...{ password: word, made: now(), role: 'reader' },
      }),
      addOns: (_name, word) => ({ id: blog.next++, name: word, version: '1.0', active: true, automatic: false }),
    },
    removed(room, thing) {
      for (const one of things([...blog.pages, ...blog.categories])) if (one.parent === thing.id) one.parent = 0
      if (room === 'categories')
        for (const post of blog.posts) post.categories = post.categories.filter((id) => id !== thing.id)
    },
  }
}
