import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { standInContent } from '../../stand-ins/content/server/index.js'
import { pathOf, rights, type Account, type Page } from '../../stand-ins/content/server/model.js'
import { body, joinOrLeave, menuThing, newMenu, other, otherPlace, text, things } from './hands.js'
import { PlanFile } from './plan-file.js'
import { bodies, nameOf, now, paragraph, textOf } from './values.js'
import type { Plan, Site, Thing } from './site.js'

/** A stand-in content site whose server is there, and that waits for its first run. */
export function contentSite(): Site {
  const running = standInContent()
  const { content } = running
  const stamp = () => ({ id: content.next++, made: now(), edited: now(), by: 0 })
  const entry = (name: string, word: string) => ({
    ...{ ...stamp(), title: name, slug: name, summary: '', body: paragraph(word), tags: [], state: 'published' },
  })
  const shared = () => ({ read: [], write: [], edit: [] })
  const groupsNamed = (name: unknown) =>
    content.groups.filter((one) => one.name === name).map(({ id }) => `group ${id}`)
  const whoOf = (names: unknown) =>
    names === undefined ? [] : [names].flat().flatMap((name) => (name === 'members' ? ['members'] : groupsNamed(name)))
  /** Groups that the plan holds; members in place of none. */
  const known = (plan: Plan, names: unknown): unknown => {
    const all = [names].flat().filter((name) => plan.has(`groups/${textOf(name)}`))
    return all.length > 0 ? all : 'members'
  }
  /** Whom the plan shares a page with: what is above it counts as well. */
  function plannedFor(plan: Plan, ref: string): { read: string[]; edit: string[]; isOpen: boolean } {
    const values = plan.get(ref) ?? {}
    const above = ref.split('/').length > 2 ? plannedFor(plan, ref.replace(/\/[^/]*$/, '')) : undefined
    const { edit } = (values.may ?? {}) as { edit?: string[] }
    return {
      read: values.for === undefined ? (above?.read ?? []) : whoOf(known(plan, values.for)),
      edit: [...whoOf(edit), ...(above?.edit ?? [])],
      isOpen: values.for === undefined && values.state !== 'draft' && (above?.isOpen ?? true),
    }
  }
  const menu = menuThing(
    'main',
    () => content.menu,
    (entries) => (content.menu = entries as typeof content.menu),
  )
  return {
    running,
    system: standInContentSystem,
    isThere: () => content.standing === 'set up',
    logins: [{ username: 'keeper', password: 'harbour-light-41' }],
    always: ['site', 'groups/Crew'],
    plannable: [
      {
        ref: 'site',
        values: { title: ['Tidepool', 'Tidepools'], description: [undefined, 'Low water', 'High water'] },
      },
      { ref: 'pages/news', values: { title: ['News', 'Latest'], body: bodies, for: [undefined, ['Crew'], 'members'] } },
      { ref: 'pages/team', values: { title: ['Team', 'Hands'], body: bodies } },
      { ref: 'pages/plans', values: { title: ['Plans', 'Ideas'], body: bodies, state: ['draft', undefined] } },
      {
        ref: 'pages/team/rota',
        values: {
          ...{ title: ['Rota', 'Turns'], body: bodies, for: [['Crew'], undefined, ['Keepers']] },
          may: [undefined, { edit: ['Crew'] }],
        },
      },
      { ref: 'posts/tides', values: { title: ['Tides', 'Ebbs'], body: bodies, summary: [undefined, 'Twice a day'] } },
      { ref: 'events/walk', values: { title: ['Walk', 'Stroll'], body: bodies, place: ['Pier', 'Quay'] } },
      { ref: 'groups/Crew', values: { description: [undefined, 'All hands', 'Some hands'] } },
      { ref: 'groups/Keepers', values: { description: [undefined, 'Of keys'] } },
      { ref: 'members/hemp', values: { groups: [['Crew'], [], ['Keepers'], ['Crew', 'Keepers']] } },
      { ref: 'members/tar', values: { groups: [[], ['Crew']] } },
    ],
    baseline(address, plan, isShippedRemoved) {
      const file = new PlanFile(plan)
      const closed = (ref: string) => {
        const readers = plan.get(ref)?.for
        return { slug: nameOf(ref), ...(readers !== undefined && { for: known(plan, readers) }) }
      }
      const rota = file.list('pages/team', closed)
      return file.baseline({
        site: { address, title: 'Tidepool', ...file.values('site') },
        owner: { username: 'marlow', email: 'marlow@quay.example', signInAs: 'keeper' },
        ...(isShippedRemoved && { shipped: 'remove' }),
        groups: file.list('groups', (_ref, name) => ({ name })),
        members: file.list('members', (ref, username) => ({
          ...{ username, email: `${username}@quay.example` },
          groups: [plan.get(ref)?.groups ?? []].flat().filter((name) => plan.has(`groups/${textOf(name)}`)),
        })),
        pages: file.list('pages', (ref) => ({ ...closed(ref), ...(ref === 'pages/team' && { under: rota }) })),
        posts: file.list('posts', (_ref, slug) => ({ slug })),
        events: file.list('events', (_ref, slug) => ({
          ...{ slug, start: '2026-06-13T11:00', end: '2026-06-13T15:00' },
        })),
      })
    },
    rooms: () => ({
      ...{ pages: things(content.pages), posts: things(content.news), events: things(content.events) },
      ...{ comments: things(content.comments), uploads: things(content.uploads), groups: things(content.groups) },
      ...{ members: things(content.accounts), addOns: things(content.addOns), menus: [menu] },
    }),
    settings: () => content.settings as unknown as Thing,
    refOf(room, thing) {
      if (room === 'settings') return 'site'
      if (room === 'pages') return `pages/${pathOf(content, thing as unknown as Page)}`
      return `${room}/${textOf(thing.slug ?? thing.username ?? thing.name ?? thing.id)}`
    },
    expects(ref, values, plan) {
      const { title, body, description, summary, place, groups } = values
      return {
        ...(title !== undefined && { title }),
        ...(body !== undefined && { body: paragraph(body) }),
        ...(description !== undefined && { description }),
        ...(summary !== undefined && { summary }),
        ...(place !== undefined && { place }),
        ...(ref.startsWith('pages/') && { state: plannedFor(plan, ref).isOpen ? 'published' : 'private' }),
        ...(groups !== undefined && { username: nameOf(ref) }),
      }
    },
    audience(room, thing) {
      if (room === 'pages') {
        const page = thing as unknown as Page
        const all = rights.flatMap((right) => sharedWith(page, right).map((who) => `${right} ${who}`))
        return page.state === 'published' ? ['read everyone', ...all] : all
      }
      return /^(posts|events)$/.test(room) && thing.state === 'published' ? ['read everyone'] : []
    },
    plannedAudience(plan, ref) {
      const values = plan.get(ref)
      if (!values) return undefined
      if (!ref.startsWith('pages/')) return ['read everyone']
      const { read, edit, isOpen } = plannedFor(plan, ref)
      const all = [...read.map((who) => `read ${who}`), ...edit.flatMap((who) => [`edit ${who}`, `read ${who}`])]
      return isOpen ? ['read everyone', ...all] : all
    },
    standing: (account) => {
      const { role, groups } = account as unknown as Account
      return [role, ...groups.map((id) => `group ${id}`)]
    },
    plannedStanding(plan, { username }) {
      if (username === 'marlow') return ['manager']
      const values = plan.get(`members/${textOf(username)}`)
      return values
        ? [
            'member',
            ...[values.groups ?? []]
              .flat()
              .filter((name) => plan.has(`groups/${textOf(name)}`))
              .flatMap(groupsNamed),
          ]
        : []
    },
    edits: {
      pages: {
        title: text,
        body,
        parent: otherPlace(() => content.pages),
        state: other('state', 'private', 'published'),
      },
      posts: { title: text, body, state: other('state', 'private', 'published') },
      events: { title: text, body, place: text },
      groups: { description: text },
      members: {
        groups: joinOrLeave(() => content.groups),
        password: text,
        email: (_thing, word) => `private-${word}@sea.example`,
      },
      settings: { title: text, description: text },
      menus: { entries: newMenu },
    },
    adds: {
      pages: (name, word) => ({
        ...{ ...entry(name, word), parent: 0, order: 9, hidden: false, formerly: [], shared: shared(), inherit: true },
      }),
      posts: (name, word) => ({ ...entry(name, word), date: now().slice(0, 16), open: false }),
      events: (name, word) => ({
        ...{ ...entry(name, word), start: '2026-05-05T10:00', end: '2026-05-05T11:00', place: word },
      }),
      groups(name) {
        const id = content.next++
        // whoever is there already joins it
        content.accounts.findLast(({ role }) => role === 'member')?.groups.push(id)
        return { id, name, description: '' }
      },
      members: (name, word) => ({
        ...{
          id: content.next++,
          username: name,
          first: '',
          last: '',
          shown: name,
          email: `private-${word}@sea.example`,
        },
        ...{ password: word, made: now(), role: 'member', groups: [], waits: false },
      }),
      comments: (_name, word) => ({
        ...{ id: content.next++, news: content.news[0]?.id ?? 0, by: `Private ${word}`, text: `Private ${word}` },
        ...{ made: now(), state: 'held' },
      }),
      addOns: (_name, word) => ({ id: content.next++, name: word, version: '1.0', active: true, automatic: false }),
    },
    removed(room, thing) {
      if (room === 'pages') removeInside(thing.id)
      if (room !== 'groups') return
      for (const one of content.accounts) one.groups = one.groups.filter((id) => id !== thing.id)
      for (const page of content.pages)
        for (const right of rights)
          page.shared[right] = page.shared[right].filter((who) => who !== `group ${Number(thing.id)}`)
    },
  }

  function removeInside(id: Thing['id']): void {
    const inside = content.pages.filter(({ parent }) => parent === id)
    content.pages = content.pages.filter(({ parent }) => parent !== id)
    for (const one of inside) removeInside(one.id)
  }
  /** Whom a page is shared with, by itself or from above. */
  function sharedWith(page: Page, right: (typeof rights)[number]): string[] {
    const above = page.inherit ? content.pages.find(({ id }) => id === page.parent) : undefined
    return [...page.shared[right], ...(above ? sharedWith(above, right) : [])]
  }
}
