import type { AddMistake } from './mistake.js'
import { isGroup, type PlainGroup } from './plain-values.js'

const easy = [
  'admin',
  'administrator',
  'root',
  'user',
  'test',
  'guest',
  'owner',
  'webmaster',
  'manager',
  'blog',
  'shop',
  'forum',
  'site',
  'info',
  'demo',
  'login',
]

const textOf = (value: unknown): string => (typeof value === 'string' ? value : '')

/** A user name that is usual, or the site's own, is guessed first. */
export function easyUserName(values: PlainGroup, add: AddMistake): void {
  const { site, owner } = values
  const name = isGroup(owner) ? owner.username : undefined
  if (typeof name !== 'string') return
  const ofSite = isGroup(site)
    ? `${textOf(site.title)} ${textOf(site.address)
        .replace(/^https?:\/\//, '')
        .replace(/[:/].*/, '')}`
    : ''
  const words = new Set([
    ...easy,
    ...ofSite
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter((word) => word.length > 2),
  ])
  const plain = name.toLowerCase().replace(/[^a-z]/g, '')
  if (words.has(name.toLowerCase()) || words.has(plain) || ofSite.toLowerCase().replace(/[^a-z]/g, '') === plain)
    add(
      'easy-user-name',
      ['owner', 'username'],
      'this user name is easy to guess',
      "a name that is neither usual (admin, root, …) nor the site's own",
    )
}
