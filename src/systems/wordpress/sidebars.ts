import { z } from 'zod'
import { strippedText } from '../../core/text/plain.js'
import { placesIn } from './menus.js'
import type { WordPressSession } from './session.js'

const sidebarSchema = z.looseObject({
  id: z.string(),
  name: z.string(),
  description: z.string(),
  status: z.string(),
  widgets: z.array(z.string()),
})
const widgetSchema = z.looseObject({
  id: z.string(),
  id_base: z.string(),
  sidebar: z.string(),
  instance: z.looseObject({ raw: z.looseObject({ content: z.string().optional() }).optional() }).nullish(),
})
export type Widget = z.output<typeof widgetSchema>

export const sidebarsOf = (session: WordPressSession) =>
  session.shelf.read('sidebars', async () =>
    session
      .read(
        await session.rest('GET', '/wp/v2/sidebars', 'context=edit'),
        z.array(sidebarSchema),
        'the list of sidebars',
      )
      .filter(({ status }) => status === 'active')
      .map((one) => ({ ...one, label: one.name, name: one.id })),
  )
export const widgetsOf = (session: WordPressSession) =>
  session.shelf.read('widgets', async () =>
    session.read(
      await session.rest('GET', '/wp/v2/widgets', 'context=edit'),
      z.array(widgetSchema),
      'what stands in sidebars',
    ),
  )

/** The theme's sidebars by the baseline's names for them. */
export const sidebarPlaces = async (session: WordPressSession) => placesIn(await sidebarsOf(session))

const blocks: Readonly<Record<string, string>> = {
  search: 'search',
  'latest posts': 'latest-posts',
  'latest comments': 'latest-comments',
  archives: 'archives',
  categories: 'categories',
  tags: 'tag-cloud',
  pages: 'page-list',
}

/** The parts that there are. */
export const partsHere = Object.keys(blocks)
/** What a part is made of. */
export const blockFor = (part: string): string => `<!-- wp:${blocks[part] ?? ''} /-->`

/** Which of our parts a widget shows; `other` for anything else. */
export function partIn({ id_base, instance }: Widget): string {
  const content = instance?.raw?.content ?? ''
  const found = Object.entries(blocks).filter(([, block]) => content.includes(`<!-- wp:${block} `))
  return id_base === 'block' && found.length === 1 && found[0] ? found[0][0] : 'other'
}

/** Whether a widget is one that ships: its number, and its text but for the heading, which is in the site's language. */
export function shipsSo(widget: Widget): boolean {
  const content = widget.instance?.raw?.content ?? ''
  const bare = strippedText(content.replace(/<h2>[^<]*<\/h2>/, ''))
  return /^block-[2-6]$/.test(widget.id) && partIn(widget) !== 'other' && bare === ''
}
