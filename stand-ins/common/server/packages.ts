import { packageIn } from './archive.js'
import { catalogue } from './catalogue.js'
import type { Office } from './office.js'

/** A theme or an add-on. */
export interface Package {
  id: number
  /** The name of its folder. */
  name: string
  version: string
  active: boolean
  automatic: boolean
  /** Themes: the one it builds upon, its menu places and sidebars, its style sheet. */
  parent?: string
  places?: string[]
  sidebars?: string[]
  css?: string
  /** Add-ons: what it says at the foot of every page, or that it breaks them. */
  footer?: string
  breaks?: boolean
}

/** A site that has themes and add-ons. */
export interface Packaged {
  themes: Package[]
  addOns: Package[]
  /** The next number that anything gets. */
  next: number
}
export interface PackageHabits {
  /** Whether new ones update themselves. */
  automatic?(kind: 'themes' | 'addOns'): boolean
  /** Called when a theme was put to use. */
  activated?(): void
}

const LONGEST_NAME = 40

/** Themes or add-ons: a list, one screen each, and two ways for new ones to come. */
export function packages(office: Office, site: Packaged, kind: 'themes' | 'addOns', habits: PackageHabits = {}): void {
  const room = kind === 'themes' ? 'themes' : 'add-ons'
  const byNumber = (number: number | string) => site[kind].find(({ id }) => String(id) === String(number))
  office.get(`/${room}`, (_request, reply) => {
    const rows = site[kind].map(({ id, name, version, active, automatic, parent = '' }) => ({
      id,
      marks: { name, version, active: String(active), automatic: String(automatic), parent },
      cells: [name, version],
    }))
    const add = `<p><a href="${office.place}/${room}/new">new</a></p>`
    return office.screen(reply, room, add + office.table(rows, room))
  })
  office.get(`/${room}/:id`, (request, reply) => {
    const { id } = request.params
    if (id === 'new') {
      const file = [{ name: 'archive', label: 'Archive', value: '', kind: 'file' as const }]
      const names = catalogue[kind].map(({ name }) => name)
      const choose = [{ name: 'name', label: 'From the catalogue', value: '', choices: names }]
      return office.screen(
        reply,
        room,
        office.editor(request, `/${room}/new`, file) +
          office.button(request, `/${room}/catalogue`, 'catalogue', 'Fetch', choose),
      )
    }
    const automatic = [
      { name: 'automatic', label: 'Updates itself', value: byNumber(id)?.automatic ? '1' : '', kind: 'box' as const },
    ]
    const button = (name: string) => office.button(request, `/${room}/${id}/${name}`, name, name)
    const editor = office.editor(request, `/${room}/${id}`, automatic, true)
    return office.screen(reply, room, editor + button('activate') + button('deactivate'))
  })
  office.post(`/${room}/new`, `/${room}`, async (_body, _id, _request, file) => {
    const found = file && (await packageIn(file.bytes, kind))
    if (!found) return 'The archive is broken, or holds nothing of this kind.'
    if (found.name.length > LONGEST_NAME) return 'That name is too long.'
    return put(site, kind, found, habits)
  })
  office.post(`/${room}/catalogue`, `/${room}`, ({ name }) => {
    const found = catalogue[kind].find((offer) => offer.name === name)
    return found ? put(site, kind, found, habits) : 'The catalogue does not know it.'
  })
  office.post(`/${room}/:id`, `/${room}`, ({ automatic }, id) => {
    const found = byNumber(id)
    if (found) found.automatic = automatic === '1'
    return undefined
  })
  office.post(`/${room}/:id/activate`, `/${room}`, (_body, id) => {
    const found = byNumber(id)
    if (!found) return 'It is gone.'
    if (found.parent !== undefined && !site.themes.some(({ name }) => name === found.parent))
      return 'The theme it builds upon is missing.'
    if (kind === 'themes') for (const theme of site.themes) theme.active = false
    found.active = true
    if (kind === 'themes') habits.activated?.()
    return undefined
  })
  office.post(`/${room}/:id/deactivate`, `/${room}`, (_body, id) => {
    const found = byNumber(id)
    if (found && kind === 'addOns') found.active = false
    return undefined
  })
  office.post(`/${room}/:id/remove`, `/${room}`, (_body, id) => {
    const found = byNumber(id)
    if (found?.active || (kind === 'themes' && site.themes.find(({ active }) => active)?.parent === found?.name))
      return 'It is in use.'
    site[kind] = site[kind].filter((one) => one !== found)
    return undefined
  })
}

/** Puts it there, or over an older one of its name. */
function put(
  site: Packaged,
  kind: 'themes' | 'addOns',
  found: Omit<Package, 'id' | 'active' | 'automatic'>,
  { automatic: itself }: PackageHabits,
): number {
  const there = site[kind].find(({ name }) => name === found.name)
  if (there) return Object.assign(there, found).id
  const id = site.next++
  const automatic = itself?.(kind) ?? false
  site[kind].push({ ...found, id, active: false, automatic })
  return id
}
