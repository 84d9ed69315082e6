import { actions, type Action } from '../../core/access/who.js'
import type { Changes } from './session.js'

const OF_CATEGORY = 'misago.categories.permissions-'
const OF_TOPICS = 'misago.threads.permissions.threads-'

/** What a set of rights lets somebody do in a category, by the fields of its form. */
export interface Rights {
  may: ReadonlySet<Action>
  /** It starts and replies where a category is closed, too. */
  evenClosed: boolean
  /** Rights beyond the actions that a baseline knows; the fewer the better. */
  beyond: number
  /** What it writes waits for somebody's approval. */
  held: boolean
}

/** Reads the form of a set of rights. */
export function rightsIn(fields: Readonly<Record<string, string>>): Rights {
  const level = (name: string): number => Number(fields[`${OF_TOPICS}${name}`] ?? 0)
  const open = fields[`${OF_CATEGORY}can_browse`] === '1' && level('can_see_all_threads') === 1
  const can: Record<Action, boolean> = {
    see: fields[`${OF_CATEGORY}can_see`] === '1',
    read: open,
    start: open && level('can_start_threads') === 1,
    reply: open && level('can_reply_threads') === 1,
    edit: open && level('can_edit_posts') === 2 && level('can_edit_threads') === 2,
    remove: open && level('can_hide_posts') === 2 && level('can_hide_threads') === 2,
    pin: open && level('can_pin_threads') >= 1,
    notice: open && level('can_pin_threads') === 2,
    // no right of its own: whoever reads and is signed in votes
    vote: false,
  }
  const beyond = [
    'can_move_threads',
    'can_merge_threads',
    'can_protect_posts',
    'can_move_posts',
    'can_merge_posts',
    'can_approve_content',
    'can_see_reports',
    'can_hide_events',
  ]
  return {
    may: new Set(actions.filter((action) => can[action])),
    evenClosed: level('can_close_threads') === 1,
    beyond: beyond.filter((name) => level(name) > 0).length,
    held: ['threads', 'replies', 'edits'].some((what) => level(`require_${what}_approval`) === 1),
  }
}

/** The fields of a set of rights that lets somebody do just this. */
export function fieldsFor(may: ReadonlySet<Action>, evenClosed: boolean): Changes {
  const flag = (on: boolean, value = 1): string => (on ? String(value) : '0')
  const writes = may.has('start') || may.has('reply')
  const own = writes ? 1 : 0
  const topics = {
    can_see_all_threads: flag(may.has('read')),
    can_start_threads: flag(may.has('start')),
    can_reply_threads: flag(may.has('reply')),
    can_edit_threads: String(may.has('edit') ? 2 : own),
    can_edit_posts: String(may.has('edit') ? 2 : own),
    can_hide_threads: flag(may.has('remove'), 2),
    can_hide_posts: flag(may.has('remove'), 2),
    can_pin_threads: String(may.has('notice') ? 2 : may.has('pin') ? 1 : 0),
    can_close_threads: flag(evenClosed),
    can_see_posts_likes: flag(may.has('read'), 2),
    can_like_posts: flag(writes),
    can_report_content: flag(writes),
  }
  return {
    name: nameOf(may, evenClosed),
    [`${OF_CATEGORY}can_see`]: flag(may.has('see')),
    [`${OF_CATEGORY}can_browse`]: flag(may.has('read')),
    ...Object.fromEntries(Object.entries(topics).map(([name, value]) => [`${OF_TOPICS}${name}`, value])),
  }
}

/** What a set of rights of ours is called at the dashboard: what it lets somebody do. */
export const nameOf = (may: ReadonlySet<Action>, evenClosed: boolean): string =>
  `${actions.filter((action) => may.has(action)).join(', ')}${evenClosed ? ' (also where closed)' : ''}`
export const isOurs = (name: string): boolean => /^(?:see|see, [a-z, ]+)(?: \(also where closed\))?$/.test(name)
