import type { SidebarPart } from '../../../core/areas/sidebars.js'
import { sameText } from '../../../core/text/normal-form.js'
import type { TextOf } from '../../later.js'
import type { Carried, Carrier } from '../../step.js'
import { assignedIn, columnAt, forgetSidebar, OUR_TEXT, PARTS, type Assigned } from '../sidebars.js'
import type { PloneSession } from '../session.js'

export interface SidebarFields {
  place: string
  parts: readonly { name: string; text: TextOf | string }[]
}

/** The parts of one place: those that stand right stay, what does not belong goes, the rest comes behind. */
export const sidebars: Carrier<SidebarFields, PloneSession> = {
  name: 'sidebars',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { place, parts } = load
    const wanted = parts.map(({ name, text }): SidebarPart => (name === '' ? { text } : name))
    const standing = await assignedIn(session, place)
    const kept = standing.findIndex(({ part }, index) => !isSame(part, wanted[index]))
    const stays = kept < 0 ? standing.length : kept
    forgetSidebar(session, place)
    for (const { name } of standing.slice(stays)) {
      const gone = await remove(session, place, name)
      if (gone.refused !== undefined) return [gone]
    }
    for (const part of wanted.slice(stays)) {
      const added = await add(session, place, part)
      if (added.refused !== undefined) return [added]
    }
    return [{}]
  },
}

const isSame = (one: SidebarPart, other: SidebarPart | undefined): boolean =>
  typeof one === 'object' && typeof other === 'object' ? sameText(one.text, other.text) : one === other

async function remove(session: PloneSession, place: string, name: Assigned['name']): Promise<Carried> {
  const answer = await session.submit(`${columnAt(place)}/@@delete-portlet`, { name, referer: session.visitor.home })
  return answer.status < 400 ? {} : { refused: `HTTP ${answer.status}` }
}

async function add(session: PloneSession, place: string, part: SidebarPart): Promise<Carried> {
  if (typeof part === 'object')
    return session.send(`${columnAt(place)}/+/plone.portlet.static.Static`, 'form.buttons.add', {
      'form.widgets.header': OUR_TEXT,
      'form.widgets.text': part.text,
      'form.widgets.omit_border:list': 'selected',
    })
  return session.send(`${columnAt(place)}/+/${PARTS[part]?.add ?? part}`, 'form.buttons.add', {})
}
