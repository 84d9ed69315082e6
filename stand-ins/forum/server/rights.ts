import { actions, type Account, type Action, type Board, type Forum, type Who } from './model.js'

/** Everybody that access tells apart, with what the owner reads. */
export const everybody = (board: Board): { who: Who; name: string }[] => [
  { who: 'everyone', name: 'visitors' },
  { who: 'members', name: 'members' },
  ...board.groups.map(({ id, name }) => ({ who: `group ${id}` as const, name })),
  { who: 'moderators', name: 'moderators' },
  { who: 'administrators', name: 'administrators' },
]

/** Who somebody is: each of these may let them in. */
function isOne(board: Board, account: Account | undefined): Set<Who> {
  if (!account) return new Set(['everyone'])
  const groups = [...account.groups, ...board.shared].map((id): Who => `group ${id}`)
  const role: Who[] =
    account.role === 'administrator' ? ['administrators'] : account.role === 'moderator' ? ['moderators'] : []
  return new Set<Who>(['members', ...groups, ...role])
}

/** What somebody may do in a forum. */
export function mayIn(board: Board, forum: Forum, account: Account | undefined): Set<Action> {
  const one = isOne(board, account)
  const may = new Set(actions.filter((action) => forum.may[action].some((who) => one.has(who))))
  if (!may.has('see')) return new Set()
  if (!may.has('read')) return new Set<Action>(['see'])
  if (forum.locked && account?.role !== 'administrator' && account?.role !== 'moderator') {
    may.delete('start')
    may.delete('reply')
  }
  if (!account) for (const action of actions.slice(2)) may.delete(action)
  return may
}

const upTo = (least: Who): Who[] => {
  const all: Who[] = ['everyone', 'members', 'moderators', 'administrators']
  return all.slice(all.indexOf(least))
}
/** What a new forum lets people do. */
export const usualRights = (): Forum['may'] => ({
  see: upTo('everyone'),
  read: upTo('everyone'),
  start: upTo('members'),
  reply: upTo('members'),
  edit: upTo('moderators'),
  remove: upTo('moderators'),
  pin: upTo('moderators'),
  notice: upTo('moderators'),
  vote: upTo('members'),
})
