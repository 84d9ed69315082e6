import { refOf } from '../../core/ref.js'
import type { MisagoSession } from './session.js'

/** A category of the system: core's categories stand at the top, its forums in them. */
export interface Branch {
  id: number
  title: string
  /** The number of the one it stands in; 0 at the top. */
  parent: number
  topics: number
  ref: string
  address: string
}

/** All of them from the top down, as the dashboard lists them: also those that nobody may see. */
export function treeOf(session: MisagoSession): Promise<Branch[]> {
  return session.shelf.read('tree', async () => {
    const $ = await session.screen('categories/')
    const above: Branch[] = []
    return $('tr:has(a.item-name[href*="/edit/"])')
      .toArray()
      .map((row): Branch => {
        const link = $(row).find('a.item-name')
        const cells = $(row).find('td').toArray()
        const title = link.text().trim()
        // how deep it stands shows in four hard blanks a step
        const before = $(cells[1]).text().split(title)[0] ?? ''
        const depth = Math.floor((before.match(/\u00a0/g) ?? []).length / 4)
        above.length = depth
        const holder = above[depth - 1]
        const branch = {
          id: Number(/\/edit\/(\d+)\//.exec(link.attr('href') ?? '')?.[1]),
          title,
          parent: holder?.id ?? 0,
          topics: Number($(cells[4]).text().trim() || 0),
          ref: refOf('forums', [...above.map(({ title: one }) => one), title].join('/')),
          address: new URL($(row).find('td a').first().attr('href') ?? '', session.visitor.home).href,
        }
        above.push(branch)
        return branch
      })
  })
}
