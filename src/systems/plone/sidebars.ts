import type { SidebarPart } from '../../core/areas/sidebars.js'
import type { PloneSession } from './session.js'

/** Where parts stand: our names for the columns. */
export const PLACES: Readonly<Record<string, string>> = {
  left: 'plone.leftcolumn',
  right: 'plone.rightcolumn',
  foot: 'plone.footerportlets',
}
/** Parts that there are: how each is added, and what it is called when it is there. */
export const PARTS: Readonly<Record<string, { add: string; called: string }>> = {
  navigation: { add: 'portlets.Navigation', called: 'navigation' },
  'latest posts': { add: 'portlets.News', called: 'news' },
  events: { add: 'portlets.Events', called: 'events' },
  search: { add: 'portlets.Search', called: 'search' },
}
/** What a new site has in each place. */
export const SHIPPED: Readonly<Record<string, readonly string[]>> = {
  left: ['navigation'],
  right: ['events'],
  foot: ['footer', 'actions', 'colophon'],
}
/** What a text of ours is called: not to be seen, since its border is left away. */
export const OUR_TEXT = 'text'
const OURS = /^text(?:-\d+)?$/

/** A part as it stands there. */
export interface Assigned {
  /** What it is called in its place. */
  name: string
  part: SidebarPart
}

const managePlace = (place: string): string => `@@topbar-manage-portlets/${PLACES[place] ?? place}`
export const columnAt = (place: string): string => `++contextportlets++${PLACES[place] ?? place}`

/** What stands in a place, from top to bottom. */
export const assignedIn = (session: PloneSession, place: string): Promise<Assigned[]> =>
  session.shelf.read(managePlace(place), async () => {
    const sign = {
      has: `#portletmanager-${(PLACES[place] ?? place).replace('.', '-')}`,
      wanted: 'the parts of a sidebar',
    }
    const $ = await session.page(managePlace(place), sign)
    const names = $('.managedPortlet form.delete input[name=name]')
      .toArray()
      .map((input) => $(input).attr('value') ?? '')
    return Promise.all(names.map(async (name) => ({ name, part: await partOf(session, place, name) })))
  })
export const forgetSidebar = ({ shelf }: PloneSession, place: string): void => {
  shelf.forget(managePlace(place))
}

/** Our name for a part; its own where we have none. */
export const partCalled = (name: string): string =>
  Object.entries(PARTS).find(([, { called }]) => name === called || name.startsWith(`${called}-`))?.[0] ?? name

async function partOf(session: PloneSession, place: string, name: string): Promise<SidebarPart> {
  if (!OURS.test(name)) return partCalled(name)
  const { fields } = await session.form(`${columnAt(place)}/${name}/edit`, ['form.widgets.text'])
  return { text: fields['form.widgets.text'] ?? '' }
}
