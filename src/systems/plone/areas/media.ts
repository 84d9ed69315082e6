import type { MediaItem } from '../../../core/areas/media.js'
import { isLevel } from '../../../core/access/who.js'
import { refOf } from '../../../core/ref.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { removals } from '../carriers/removals.js'
import { uploads } from '../carriers/uploads.js'
import { groupNamesOf } from '../groups.js'
import { itemAgain } from '../items.js'
import { folderOf, isOpen, lastOf, nodesOf, type Tree } from '../nodes.js'
import { namedIn, ROLES, sharingOf } from '../sharing.js'
import type { PloneSession } from '../session.js'

export const media: AreaOnSystem<'media', PloneSession> = {
  keys: ['name', 'for'],
  async read(session) {
    const tree = await nodesOf(session)
    const all = tree.all.filter(({ type }) => type === 'Image' || type === 'File')
    return Promise.all(
      all.map(async (node) => {
        const item: MediaItem = {
          name: lastOf(node.path).replace(/\.[^.]*$/, ''),
          for: await whoSees(session, tree, folderOf(node.path)),
        }
        const file = (node.raw.image ?? node.raw.file)?.download
        return {
          id: node.uid,
          item,
          address: `${session.visitor.home}${node.path}`,
          stamp: node.raw.created ?? undefined,
          copy: { item: node.raw },
          ...(file !== undefined && { file }),
        }
      }),
    )
  },
  translate: (differences, { baseline }) =>
    differences.flatMap((difference) => {
      const proves = [difference]
      if (difference.is === 'left over') return [Step.of(removals, { id: idOf(difference.ref) }, { proves })]
      const { name, for: who = ['everyone'] } = difference.wanted
      const upload = Object.values(baseline.uploads).find((one) => one.name === name)
      if (!upload) return []
      const named = who.map((one) => ({ name: one, id: isLevel(one) ? one : idOf(refOf('groups', one)) }))
      const id = difference.is === 'different' ? { id: idOf(difference.ref) } : {}
      const { file, type, bytes } = upload
      return [Step.of(uploads, { ...id, file, type, bytes, who: named }, { proves, gives: difference.ref })]
    }),
  again: itemAgain,
}

/** Who may see what lies in a folder: its readers, as uploads have no state of their own. */
async function whoSees(session: PloneSession, tree: Tree, folder: string): Promise<string[]> {
  if (isOpen(tree, folder)) return ['everyone']
  const [own, names] = [await sharingOf(session, folder), await groupNamesOf(session)]
  return namedIn(own, ROLES.read, names).sort()
}
