import type { Fields, Office } from '../../../common/server/office.js'
import type { Field } from '../html.js'
import { rights, type ContentSite, type Right, type Who } from '../model.js'

/** Everybody that something can be shared with, with what the owner reads. */
const everybody = ({ groups }: ContentSite): { who: Who; name: string }[] => [
  { who: 'members', name: 'members' },
  ...groups.map(({ id, name }) => ({ who: `group ${id}` as const, name })),
]
const verbs = { read: 'see it', write: 'add pages below it', edit: 'change it' }

/** Boxes for one right: a box for each whom it can be shared with. */
export const boxes = (site: ContentSite, right: Right, given: readonly Who[]): Field[] =>
  everybody(site).map(({ who, name }) => ({
    ...{ name: `${right} ${who}`, label: `${name} may ${verbs[right]}`, kind: 'box' },
    value: given.includes(who) ? '1' : '',
  }))
export const ticked = (site: ContentSite, right: Right, body: Fields): Who[] =>
  everybody(site).flatMap(({ who }) => (body[`${right} ${who}`] === '1' ? [who] : []))

/** Who may see a page, and work on it, while it is private: a form a page. */
export function sharing(office: Office, site: ContentSite): void {
  const byNumber = (number: string | number) => site.pages.find(({ id }) => String(id) === String(number))
  office.get('/sharing/:id', (request, reply) => {
    const { id } = request.params
    const page = byNumber(id)
    const fields = page ? rights.flatMap((right) => boxes(site, right, page.shared[right])) : []
    return office.screen(reply, 'sharing', office.editor(request, `/sharing/${id}`, fields))
  })
  office.post('/sharing/:id', '/pages', (body, id) => {
    const page = byNumber(id)
    if (!page) return 'It is gone.'
    for (const right of rights) page.shared[right] = ticked(site, right, body)
    return undefined
  })
}
