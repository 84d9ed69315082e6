import { postAddressParts } from 'unpack'
import type { Row } from '../../common/adapter/session.js'

/** Where visitors find a post, below the blog's own folder. */
export function postPlace(template: string, post: Row, categories: readonly Row[], accounts: readonly Row[]): string {
  const { slug = '', date = '', by } = post.data
  const [year = '', month = '', day = ''] = date.slice(0, 10).split('-')
  const category = categories.find(({ id }) => String(id) === post.data.categories?.split(' ')[0])?.data.path ?? 'none'
  const author = accounts.find(({ id }) => String(id) === by)?.data.name ?? 'nobody'
  const values = { slug, year, month, day, category, author, id: String(post.id) }
  return (postAddressParts(template) ?? [])
    .map((piece) => (typeof piece === 'string' ? piece : values[piece.part]))
    .join('')
    .replace(/^\//, '')
}
