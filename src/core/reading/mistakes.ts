import { isLevel } from '../access/who.js'
import type { AddMistake } from '../baseline/mistake.js'
import { groupsIn, isGroup, listOf, namesIn, type Path, type PlainGroup } from '../baseline/plain-values.js'
import { isWithin, readersOf } from './readers.js'

/** What no schema can see of who may read: groups that are not in the file, and pages that nobody could reach. */
export function readingMistakes(values: PlainGroup, add: AddMistake): void {
  const known = new Set(namesIn(values.groups, 'name'))
  const named = (names: unknown, path: Path) => {
    for (const [index, name] of listOf(names).entries())
      if (typeof name === 'string' && !known.has(name) && !isLevel(name))
        add('unknown-item', [...path, index], 'no group of this file has that name', 'a name that stands under groups')
  }
  const walk = (list: unknown, path: Path, above: { may: readonly string[]; draft: boolean }) => {
    for (const [page, index] of groupsIn(list)) {
      const here = [...path, index]
      named(page.for, [...here, 'for'])
      if (isGroup(page.may)) for (const key of ['write', 'edit']) named(page.may[key], [...here, 'may', key])
      const said = typeof page.for === 'string' ? page.for : listOf(page.for).filter((one) => typeof one === 'string')
      const may = page.for === undefined ? above.may : readersOf(said)
      if (!isWithin(may, above.may))
        add('contradiction', [...here, 'for'], 'not all of these may read what it stands under', 'fewer, or the same')
      const draft = page.state === 'draft'
      if (above.draft && !draft)
        add(
          'contradiction',
          [...here, 'slug'],
          'it stands under a draft, where nobody finds it',
          'state: draft here too',
        )
      walk(page.under, [...here, 'under'], { may, draft })
    }
  }
  walk(values.pages, ['pages'], { may: readersOf(undefined), draft: false })
}
