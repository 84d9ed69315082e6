import { dequal } from 'dequal'
import { isLevel } from '../../core/access/who.js'
import type { PageItem } from '../../core/areas/pages.js'
import { refOf } from '../../core/ref.js'
import { idOf, type IdOf } from '../later.js'
import { MEMBERS, ROLES } from './sharing.js'

/** Whom an item's own sharing lets in, and whether it takes over what is shared above it. */
export interface OwnSharing {
  /** Nobody has shared it with anybody yet. */
  fresh: boolean
  inherit: boolean
  /** Names of roles, each with who has it. */
  roles: readonly { role: string; who: IdOf | string }[]
}

interface Rights {
  read: readonly string[]
  write: readonly string[]
  edit: readonly string[]
}
const rights = (item: PageItem | undefined): Rights => {
  const isOpen = item === undefined || (item.for ?? ['everyone']).includes('everyone')
  return {
    read: item?.state === 'draft' || isOpen ? [] : (item.for ?? []),
    write: item?.['may.write'] ?? [],
    edit: item?.['may.edit'] ?? [],
  }
}

/**
 * What has to be said of a page itself: nothing where the page above says the same.
 * @param above the page above, as planned
 * @param fresh a new item is shared with nobody yet
 */
export function ownSharing(item: PageItem, above: PageItem | undefined, fresh: boolean): OwnSharing | undefined {
  const [own, inherited] = [rights(item), rights(above)]
  if (dequal(own, inherited)) return fresh ? undefined : { fresh, inherit: true, roles: [] }
  const roles = (['read', 'write', 'edit'] as const).flatMap((right) =>
    own[right].map((name) => ({ role: ROLES[right], who: isLevel(name) ? MEMBERS : idOf(refOf('groups', name)) })),
  )
  return { fresh, inherit: false, roles }
}
