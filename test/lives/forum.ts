import { standInForumSystem } from '../../stand-ins/forum/adapter/index.js'
import { standInForum } from '../../stand-ins/forum/server/index.js'
import { actions, type Account, type Forum } from '../../stand-ins/forum/server/model.js'
import { usualRights } from '../../stand-ins/forum/server/rights.js'
import { joinOrLeave, other, text, things } from './hands.js'
import { PlanFile } from './plan-file.js'
import { nameOf, now, textOf } from './values.js'
import type { Plan, Site, Thing } from './site.js'

const ladder = ['everyone', 'members', 'moderators', 'administrators']
const access = [
  undefined,
  { see: 'members', read: ['Crew'], vote: ['Crew'] },
  { see: 'members', read: ['Crew', 'Keepers'], start: 'moderators' },
] as const

/** Levels, and groups that the plan holds. */
const inPlan = (plan: Plan, names: unknown): unknown[] =>
  [names].flat().filter((name) => ladder.includes(textOf(name)) || plan.has(`groups/${textOf(name)}`))
/** Access as a file says it. */
const known = (plan: Plan, access: unknown): object =>
  Object.fromEntries(Object.entries(access as object).map(([action, who]) => [action, inPlan(plan, who)]))

/** A stand-in forum that its host has installed. */
export function forumSite(): Site {
  const running = standInForum()
  const { board } = running
  const groups = () => board.groups.map(({ id }) => `group ${id}`)
  /** Whoever is let in lets in all who may more; every group is one of members. */
  const whoOf = (name: string): string[] =>
    ladder.includes(name)
      ? [...ladder.slice(ladder.indexOf(name)), ...(/^(everyone|members)$/.test(name) ? groups() : [])]
      : [
          ...board.groups.filter((one) => one.name === name).map(({ id }) => `group ${id}`),
          'moderators',
          'administrators',
        ]
  const refOf = (forum: { title: string; category?: number }) => {
    const above = board.categories.find(({ id }) => id === forum.category)
    return `forums/${above ? `${above.title}/` : ''}${forum.title}`
  }
  const may = (plan: Plan, ref: string): string[] => {
    const own = known(plan, plan.get(ref)?.access ?? {}) as Record<string, string | string[]>
    const usual = usualRights()
    return actions.flatMap((action) =>
      (own[action] === undefined ? usual[action] : [own[action]].flat())
        .flatMap(whoOf)
        .map((who) => `${action} ${who}`),
    )
  }
  return {
    running,
    system: standInForumSystem,
    isThere: () => true,
    logins: [{ username: 'boss', password: 'harbour-light-41', temporary: true }],
    always: ['site', 'groups/Crew'],
    plannable: [
      {
        ref: 'site',
        values: { title: ['Tidepool', 'Tidepools'], description: [undefined, 'Low water', 'High water'] },
      },
      { ref: 'signUp', values: { open: [true, false] } },
      { ref: 'forums/Shore', values: { description: [undefined, 'Wet feet', 'Dry feet'] } },
      {
        ref: 'forums/Shore/Pools',
        values: { description: ['Small seas', 'Smaller seas'], locked: [undefined, true], access },
      },
      { ref: 'forums/Shore/Sands', values: { description: [undefined, 'Flat', 'Wide'], access } },
      { ref: 'groups/Crew', values: { description: [undefined, 'All hands', 'Some hands'] } },
      { ref: 'groups/Keepers', values: { description: [undefined, 'Of keys'] } },
      { ref: 'members/hemp', values: { groups: [['Crew'], [], ['Keepers'], ['Crew', 'Keepers']] } },
      { ref: 'members/kelp', values: { groups: [[], ['Crew']] } },
    ],
    baseline(address, plan, isShippedRemoved) {
      const file = new PlanFile(plan)
      const inner = file.list('forums/Shore', (ref, title) => ({
        title,
        ...(plan.get(ref)?.access !== undefined && { access: known(plan, plan.get(ref)?.access) }),
      }))
      return file.baseline({
        site: { address, title: 'Tidepool', ...file.values('site') },
        owner: { username: 'marlow', email: 'marlow@quay.example', signInAs: 'boss' },
        ...(isShippedRemoved && { shipped: 'remove' }),
        ...(plan.has('signUp') && { signUp: file.values('signUp') }),
        groups: file.list('groups', (_ref, name) => ({ name })),
        members: file.list('members', (ref, username) => ({
          ...{ username, email: `${username}@quay.example`, groups: inPlan(plan, plan.get(ref)?.groups ?? []) },
        })),
        forums: file.list('forums', (_ref, title) => ({ title, forums: inner })),
      })
    },
    rooms: () => ({
      ...{ forums: things(board.forums), shelves: things(board.categories), groups: things(board.groups) },
      ...{ members: things(board.accounts), topics: things(board.topics), addOns: things(board.addOns) },
    }),
    settings: () => board.settings as unknown as Thing,
    refOf(room, thing, field = '') {
      if (room === 'settings') return field === 'joinOpen' ? 'signUp' : 'site'
      if (room === 'forums' || room === 'shelves') return refOf(thing as unknown as Forum)
      return `${room}/${textOf(thing.username ?? thing.name ?? thing.title ?? thing.id)}`
    },
    expects(ref, { title, description, locked, open, groups }) {
      return {
        ...(title !== undefined && { title }),
        ...(description !== undefined && { description }),
        ...(locked !== undefined && { locked }),
        ...(open !== undefined && { joinOpen: open }),
        ...(groups !== undefined && { username: nameOf(ref) }),
      }
    },
    audience: (room, thing) =>
      room === 'forums'
        ? actions.flatMap((action) => (thing as unknown as Forum).may[action].map((who) => `${action} ${who}`))
        : [],
    plannedAudience: (plan, ref) => (plan.has(ref) ? may(plan, ref) : undefined),
    standing: (account) => {
      const { role, groups } = account as unknown as Account
      return [role, ...groups.map((id) => `group ${id}`)]
    },
    plannedStanding(plan, { username }) {
      if (username === 'marlow') return ['administrator']
      const values = plan.get(`members/${textOf(username)}`)
      const groups = inPlan(plan, values?.groups ?? []).flatMap((name) => whoOf(textOf(name)))
      return values ? ['member', ...groups] : []
    },
    hasDefault: 'may',
    edits: {
      forums: {
        title: text,
        description: text,
        locked: other('locked', true, false),
        may: ({ may }) => ({ ...(may as Forum['may']), read: ['administrators'], see: ['administrators'] }),
      },
      shelves: { description: text },
      groups: { description: text },
      members: {
        groups: joinOrLeave(() => board.groups),
        password: text,
        email: (_thing, word) => `private-${word}@sea.example`,
      },
      settings: { title: text, description: text, joinOpen: other('joinOpen', true, false) },
    },
    adds: {
      forums: (name, word) => ({
        ...{ id: board.next++, category: board.categories[0]?.id ?? 1, title: name, description: word, locked: false },
        ...{ removeOldAfter: 0, may: usualRights() },
      }),
      groups(name) {
        const id = board.next++
        // whoever is there already joins it
        board.accounts.findLast(({ role }) => role === 'member')?.groups.push(id)
        return { id, name, description: '' }
      },
      members: (name, word) => ({
        ...{ id: board.next++, username: name, shown: name, email: `private-${word}@sea.example`, password: word },
        ...{ made: now(), role: 'member', groups: [], wrong: 0, lockedUntil: 0, lastPost: 0 },
      }),
      topics: (_name, word) => ({
        ...{ id: board.next++, forum: board.forums[0]?.id ?? 2, title: word, by: 1, made: now(), edited: now() },
        posts: [{ id: board.next++, by: 1, text: `Private ${word}`, made: now(), edited: now() }],
      }),
      addOns: (_name, word) => ({ id: board.next++, name: word, version: '1.0', active: true, automatic: false }),
    },
    removed(room, thing) {
      if (room === 'forums') board.topics = board.topics.filter(({ forum }) => forum !== thing.id)
      if (room !== 'groups') return
      for (const one of board.accounts) one.groups = one.groups.filter((id) => id !== thing.id)
      for (const { may } of board.forums)
        for (const action of actions) may[action] = may[action].filter((who) => who !== `group ${Number(thing.id)}`)
    },
  }
}
