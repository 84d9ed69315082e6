import type { ItemOf } from 'unpack'
import type { Row } from '../../common/adapter/session.js'
import { namedIn } from './who.js'

type PageItem = ItemOf<'pages'>
type Right = 'read' | 'write' | 'edit'

/** Whether everybody may see a page as the file has it. */
export const isForAll = ({ state, for: readers = ['everyone'] }: PageItem): boolean =>
  state !== 'draft' && readers.includes('everyone')

/** Who may do what with a page: what it says itself, and what it takes over from above. */
function rightsOf(row: Row, rows: readonly Row[], names: ReadonlyMap<string, string>) {
  const above = row.data.inherit === 'true' ? rows.find(({ id }) => String(id) === row.data.parent) : undefined
  const over = above && rightsOf(above, rows, names)
  const who = (right: Right): string[] => [...new Set([...namedIn(row.data[right], names), ...(over?.[right] ?? [])])]
  return { read: who('read'), write: who('write'), edit: who('edit') }
}

/** Who may read a page as the site itself has it, whatever the file says. */
export const storedReading = (
  row: Row,
  rows: readonly Row[],
  names: ReadonlyMap<string, string>,
): Pick<PageItem, 'state' | 'for'> =>
  row.data.state === 'published'
    ? { state: 'published', for: ['everyone'] }
    : { state: 'draft', for: rightsOf(row, rows, names).read.sort() }

/**
 * Who may read a page, and who may work on it: what is private is closed but for those whom it is shared with.
 * @param planned what the file says of it: of a page that it does not know, nobody asks who may read it
 * @param goes whether the file removes it: everything is kept of that
 */
export function readingOf(
  row: Row,
  rows: readonly Row[],
  names: ReadonlyMap<string, string>,
  planned: PageItem | undefined,
  goes: boolean,
): Pick<PageItem, 'state' | 'for' | 'may.write' | 'may.edit'> {
  const isPublished = row.data.state === 'published'
  const { read, write, edit } = rightsOf(row, rows, names)
  // whoever may work on it may read it: told where that is not planned anyway, or kept
  const workers = goes
    ? []
    : [
        ...write.filter((name) => !planned?.['may.write']?.includes(name)),
        ...edit.filter((name) => !planned?.['may.edit']?.includes(name)),
      ]
  const readers = read.includes('members') ? ['members'] : [...new Set([...read, ...workers])].sort()
  return {
    state: isPublished || readers.length > 0 ? 'published' : 'draft',
    for: isPublished ? ['everyone'] : readers,
    ...((goes || planned?.['may.write']) && { 'may.write': write.sort() }),
    ...((goes || planned?.['may.edit']) && { 'may.edit': edit.sort() }),
  }
}
