import { z } from 'zod'
import type { PageItem } from '../../core/areas/pages.js'
import { groupNamesOf } from './groups.js'
import type { PageNodes } from './kinds.js'
import { folderOf } from './nodes.js'
import type { PloneSession } from './session.js'

const sharingSchema = z.object({
  inherit: z.boolean(),
  entries: z.array(z.object({ id: z.string(), type: z.string(), roles: z.record(z.string(), z.unknown()) })),
})
type Sharing = z.output<typeof sharingSchema>

/** What each right is called here. */
export const ROLES = { read: 'Reader', write: 'Contributor', edit: 'Editor' } as const
/** Everybody who is signed in. */
export const MEMBERS = 'AuthenticatedUsers'

export const sharingPlace = (path: string): string => `${path === '' ? '' : `${path}/`}@sharing`
export const sharingOf = (session: PloneSession, path: string): Promise<Sharing> =>
  session.document(sharingPlace(path), sharingSchema, 'who may do what there')

/** Who may do what with an item: names of groups, `members`; single accounts by their names. */
interface Rights {
  read: Set<string>
  write: Set<string>
  edit: Set<string>
}

/** Whom an item's own sharing gives a role; what is taken over from above is told in other words there. */
export const namedIn = ({ entries }: Sharing, role: string, names: ReadonlyMap<string, string>): string[] =>
  entries.flatMap(({ id, roles }) => (roles[role] === true ? [id === MEMBERS ? 'members' : (names.get(id) ?? id)] : []))

/** What an item's own sharing gives, and what it takes over from what it stands in. */
async function rightsOf(session: PloneSession, path: string, names: ReadonlyMap<string, string>): Promise<Rights> {
  const own = await sharingOf(session, path)
  const above = own.inherit && path !== '' ? await rightsOf(session, folderOf(path), names) : undefined
  const who = (right: keyof Rights) => new Set([...namedIn(own, ROLES[right], names), ...(above?.[right] ?? [])])
  return { read: who('read'), write: who('write'), edit: who('edit') }
}

/** Whether everybody may see a page as the file has it. */
export const isForAll = ({ state, for: readers = ['everyone'] }: PageItem): boolean =>
  state !== 'draft' && readers.includes('everyone')

type Read = Pick<PageItem, 'state' | 'for' | 'may.write' | 'may.edit'>

/**
 * Who may read a page, and who may work on it. What everybody may read is published; everything else is closed but for those
 * whom its sharing names. Where a folder and its text don't agree, as after a run that was stopped, it isn't as planned either way.
 * @param planned what the file says of it: of a page that it does not know, nobody asks who may read it
 * @param goes whether the file removes it: everything is kept of that
 * @returns what is compared with the plan, and what the site itself has, by which it shows what somebody changed
 */
export async function readingOf(
  session: PloneSession,
  { node, text = node }: PageNodes,
  planned: PageItem | undefined,
  goes: boolean,
): Promise<{ read: Read; stored: Read }> {
  const states = [node, text].map(({ raw }) => raw.review_state === 'published')
  const isPublished = planned && isForAll(planned) ? states.every(Boolean) : states.some(Boolean)
  const [asksWrite, asksEdit] = [planned?.['may.write'] !== undefined, planned?.['may.edit'] !== undefined]
  const asked = goes || (planned !== undefined && (!isPublished || asksWrite || asksEdit))
  const state = isPublished ? ('published' as const) : ('draft' as const)
  if (!asked) {
    const read = { state, ...(isPublished && { for: ['everyone'] }) }
    return { read, stored: read }
  }
  const names = await groupNamesOf(session)
  const { read, write, edit } = await rightsOf(session, node.path, names)
  // whoever may work on it may read it: told where that is not planned anyway, or kept
  const workers = goes
    ? []
    : [
        ...[...write].filter((name) => !planned?.['may.write']?.includes(name)),
        ...[...edit].filter((name) => !planned?.['may.edit']?.includes(name)),
      ]
  const readers = read.has('members') ? ['members'] : [...new Set([...read, ...workers])].sort()
  return {
    read: {
      state: isPublished || readers.length > 0 ? 'published' : 'draft',
      for: isPublished ? ['everyone'] : readers,
      ...((goes || asksWrite) && { 'may.write': [...write].sort() }),
      ...((goes || asksEdit) && { 'may.edit': [...edit].sort() }),
    },
    stored: { state, for: isPublished ? ['everyone'] : [...read].sort() },
  }
}
