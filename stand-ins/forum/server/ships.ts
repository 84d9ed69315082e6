import { VERSION } from '../../common/server/version.js'
import type { Board } from './model.js'
import { usualRights } from './rights.js'

/** What a host leaves: an owner, and everything that ships. */
export function setUp(
  board: Board,
  owner: { username: string; email: string; password: string },
  now = new Date(),
): void {
  const at = now.toISOString()
  board.settings.title = 'Forum'
  board.settings.description = 'Just another forum'
  const { username, email, password } = owner
  board.accounts.push({
    ...{ id: 1, username, shown: username, email, password, role: 'administrator', groups: [] },
    ...{ made: at, wrong: 0, lockedUntil: 0, lastPost: 0 },
  })
  board.categories.push({ id: 1, title: 'Test category', description: 'It came with the forum' })
  board.forums.push({
    id: 2,
    category: 1,
    title: 'Test forum',
    description: 'It came with the forum, too',
    locked: false,
    removeOldAfter: 0,
    may: usualRights(),
  })
  const text = 'This post came with the forum, so that there is something to see. Take it away whenever you like.'
  board.topics.push({
    ...{ id: 3, forum: 2, title: 'Test topic', by: 1, made: at, edited: at },
    posts: [{ id: 4, by: 1, text, made: at, edited: at }],
  })
  if (board.version !== VERSION) shipLater(board)
  board.themes.push(
    { id: 1, name: 'plain', version: '1.0', active: true, automatic: false },
    { id: 2, name: 'plainer', version: '1.0', active: false, automatic: false },
  )
  board.addOns.push({ id: 1, name: 'smileys', version: '1.0', active: false, automatic: false })
}

/** What a later version ships: another text, and one topic more. */
function shipLater(board: Board): void {
  const [topic] = board.topics
  if (!topic) return
  const posts = (text: string) => topic.posts.map((post) => ({ ...post, text }))
  board.topics = [
    { ...topic, posts: posts('This is how forums greet people these days.') },
    { ...topic, id: 5, title: 'First steps', posts: posts('Three things to do first.') },
  ]
}

/** Somebody at work on it: a forum, a member and a topic that stand in no baseline. */
export function inUse(board: Board): void {
  const at = '2026-03-05T14:07:00.000Z'
  board.accounts.push({
    ...{ id: 50, username: 'whelk', shown: 'whelk', email: 'whelk@harbour.example', password: 'a-whelk-of-a-time' },
    ...{ made: at, role: 'member', groups: [], wrong: 0, lockedUntil: 0, lastPost: 0 },
  })
  board.topics.push({
    ...{ id: 51, forum: 2, title: 'Is anybody here?', by: 50, made: at, edited: at },
    posts: [{ id: 52, by: 50, text: 'I have found a crab, and nobody to show it to.', made: at, edited: at }],
  })
}
