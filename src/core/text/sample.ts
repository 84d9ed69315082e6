import { Parser } from 'htmlparser2'
import type { PageItem } from '../areas/pages.js'
import { refsInTree } from '../refs-in-tree.js'
import type { CategoryItem } from '../areas/categories.js'
import type { PostItem } from '../areas/posts.js'
import type { TagItem } from '../areas/tags.js'
import { refOf } from '../ref.js'
import { slugOf } from './slug-of.js'
import { unescaped } from './percent.js'

/** Sample content, as items of their areas. */
export interface Sample {
  categories: CategoryItem[]
  tags: TagItem[]
  pages: PageItem[]
  posts: PostItem[]
  /** Names of the pictures that it shows. */
  pictures: string[]
}

interface Node {
  name: string
  attributes: Readonly<Record<string, string>>
  text: string
  children: Node[]
}

/** XML as a tree; names without their prefix, as exports differ in it. */
function treeOf(xml: string): Node {
  const top: Node = { name: '', attributes: {}, text: '', children: [] }
  const open = [top]
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        const node: Node = { name: name.replace(/^[^:]*:/, ''), attributes, text: '', children: [] }
        // `excerpt:encoded` and `content:encoded` differ by their prefix alone
        if (node.name === 'encoded') node.name = name
        open.at(-1)?.children.push(node)
        open.push(node)
      },
      ontext(text) {
        const node = open.at(-1)
        if (node) node.text += text
      },
      onclosetag: () => open.pop(),
    },
    { xmlMode: true, decodeEntities: true },
  )
  parser.write(xml)
  parser.end()
  return top
}

const MOST_ITEMS = 5000
const childrenOf = (node: Node | undefined, name: string): Node[] =>
  node?.children.filter((child) => child.name === name) ?? []
const textIn = (node: Node | undefined, name: string): string => childrenOf(node, name)[0]?.text.trim() ?? ''

/**
 * Reads an RSS-based content export: an RSS 2.0 channel whose items tell their type, state and slug.
 * @returns `undefined` where it is none
 */
export function sampleIn(xml: string): Sample | undefined {
  const [channel] = childrenOf(childrenOf(treeOf(xml), 'rss')[0], 'channel')
  const items = childrenOf(channel, 'item').slice(0, MOST_ITEMS)
  if (!channel || items.every((item) => textIn(item, 'post_type') === '')) return undefined
  const ofType = (type: string) => items.filter((item) => textIn(item, 'post_type') === type)
  const slugIn = (item: Node) => slugOf(unescaped(textIn(item, 'post_name')) || textIn(item, 'title'))
  const named = (item: Node, domain: string) =>
    childrenOf(item, 'category')
      .filter(({ attributes }) => attributes.domain === domain)
      .map(({ attributes, text }) => ({ slug: slugOf(attributes.nicename ?? text), name: text.trim() }))
  const entry = (item: Node) => ({
    title: textIn(item, 'title'),
    slug: slugIn(item),
    body: textIn(item, 'content:encoded'),
    state: textIn(item, 'status') === 'publish' ? ('published' as const) : ('draft' as const),
  })
  const pages = ofType('page')
  const refs = refsInTree(
    'pages',
    pages.map((item) => ({ id: textIn(item, 'post_id'), slug: slugIn(item), parent: textIn(item, 'post_parent') })),
  )
  const posts = ofType('post')
  const unique = <T extends { slug: string; parent?: string }>(all: readonly T[], name = (one: T) => one.slug): T[] => [
    ...new Map(all.filter(({ slug }) => slug !== '').map((one) => [name(one), one])).values(),
  ]
  const categories = childrenOf(channel, 'category')
    .filter(({ children }) => children.length > 0)
    .map((node) => ({
      name: textIn(node, 'cat_name'),
      slug: slugOf(textIn(node, 'category_nicename')),
      description: textIn(node, 'category_description'),
      parent: textIn(node, 'category_parent') && refOf('categories', slugOf(textIn(node, 'category_parent'))),
    }))
  return {
    categories: unique([
      ...posts.flatMap((item) => named(item, 'category')).map((one) => ({ ...one, description: '', parent: '' })),
      ...categories,
    ]),
    tags: unique([
      ...childrenOf(channel, 'tag').map((node) => ({
        name: textIn(node, 'tag_name'),
        slug: slugOf(textIn(node, 'tag_slug')),
      })),
      ...posts.flatMap((item) => named(item, 'post_tag')),
    ]),
    pages: unique(
      pages.map((item) => {
        return {
          ...entry(item),
          parent: refs.get(textIn(item, 'post_parent')) ?? '',
          order: Number(textIn(item, 'menu_order')) || undefined,
        }
      }),
      ({ parent, slug }) => `${parent}/${slug}`,
    ),
    posts: unique(
      posts.map((item) => ({
        ...entry(item),
        categories: named(item, 'category').map(({ slug }) => refOf('categories', slug)),
        tags: named(item, 'post_tag').map(({ slug }) => refOf('tags', slug)),
        date: /^(?!0000)(\d{4}-\d{2}-\d{2}) (\d{2}:\d{2})/.exec(textIn(item, 'post_date'))?.slice(1).join('T'),
      })),
    ),
    pictures: ofType('attachment')
      .map((item) => textIn(item, 'attachment_url').split('/').at(-1) ?? '')
      .filter((name) => name !== ''),
  }
}
