import type { Shop } from './shop.js'

/** A place on pages, and what of ours stands there. */
export interface Place {
  readonly name: string
  readonly type: 'text_block' | 'basic_menu' | 'footer_menu'
  readonly area: string
  readonly route: string
}
/** The text of the front page, and the menus at the head and the foot of all pages. */
export const places = {
  front: { name: 'Front page', type: 'text_block', area: 'content', route: 'homepage' },
  main: { name: 'Main menu', type: 'basic_menu', area: 'headerMiddleLeft', route: 'all' },
  footer: { name: 'Footer menu', type: 'footer_menu', area: 'footerMiddleLeft', route: 'all' },
} as const satisfies Record<string, Place>

/** What stands at a place. */
export const widgetOf = (
  { type, area, route }: Place,
  { widgets }: Shop,
): Shop['widgets']['items'][number] | undefined =>
  widgets.items.find((one) => one.type === type && one.area.includes(area) && one.route.includes(route))
