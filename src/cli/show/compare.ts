import pc from 'picocolors'
import type { z } from 'zod'
import type { compareDocument } from '../../core/report/report.js'
import { anyItem, areaOf, type AnyDifference } from '../../core/areas/index.js'
import type { AccessRow } from '../../core/access/rows.js'
import type { Comparison, Remark } from '../../core/compare.js'
import { changes, differenceText, fieldText } from '../../core/words.js'
import type { Names } from '../../core/naming.js'
import { differenceLine } from '../../engine/report-of.js'
import type { Compared } from '../../engine/compare.js'
import { accessBlock } from './access.js'
import { grouped } from '../../core/grouped.js'
import { areaIn, nameIn } from '../../core/ref.js'
import { heading, row } from './layout.js'

export const compareJson = ({ comparison, system, rows, expected }: Compared): z.output<typeof compareDocument> => {
  const { differences, kept, byHand, unseen, never, notes, others, extras } = comparison
  return {
    system,
    differences: differences.map((one) => differenceLine(one, comparison.names)),
    ...{ kept, byHand, unseen, never, notes, others, extras, access: rows.access ?? [], expected },
  }
}

type Change = ReturnType<typeof changes>[number]
const labels = { missing: 'missing', different: 'different', 'left over': 'goes' } as const

function differenceRows(difference: AnyDifference, names: Names): string[] {
  const area = areaOf(difference.area)
  const changeText = ({ key, found, wanted }: Change) =>
    `${area.say?.(key) ?? key}: ${fieldText(difference.area, key, found, names)} → ${pc.bold(fieldText(difference.area, key, wanted, names))}`
  if (difference.is === 'left over')
    return row(labels['left over'], differenceText(difference).replace(/ goes: /, ': '))
  if (area.list === 'one')
    return changes(difference).flatMap((change, index) => row(index === 0 ? labels.different : '', changeText(change)))
  if (difference.is === 'missing') {
    const told = changes(difference).filter(({ key }) => area.toldWhenMissing?.includes(key))
    return [
      ...row(labels.missing, area.call(anyItem(difference.wanted))),
      ...told.flatMap(({ key, wanted }) => row('', fieldText(difference.area, key, wanted, names), 13)),
    ]
  }
  return [
    ...row(labels.different, area.call(anyItem(difference.found.item))),
    ...changes(difference).flatMap((change) => row('', changeText(change), 13)),
  ]
}

/** Remarks under a heading; nothing where there are none. */
export const remarkList = (title: string, items: readonly Remark[], intro?: string): string[] =>
  items.length === 0
    ? []
    : [
        '',
        heading(title),
        ...(intro ? row('', intro) : []),
        ...items.flatMap(({ ref, text }) => row('', /\./.test(ref) ? `${ref}: ${text}` : text)),
      ]

/** Differences in the order of settling, a block for each area. */
export function differenceBlocks(
  differences: readonly AnyDifference[],
  names: Names,
  access: readonly AccessRow[] = [],
): string[] {
  let last = ''
  let shown = false
  return differences.flatMap((difference) => {
    // new forums are given access: who may do what stands in a table
    const table = difference.area === 'access' && !shown ? accessBlock(access) : []
    shown ||= difference.area === 'access'
    if (difference.area === 'access' && difference.is === 'missing') return table
    const block = difference.is === 'left over' ? 'left over' : areaOf(difference.area).title
    const lines = differenceRows(difference, names)
    if (block === last) return [...table, ...lines]
    last = block
    return [...table, '', heading(block), ...lines]
  })
}

/** What a host has added, with the lines of the file that remove it. */
function extrasBlock(extras: readonly Remark[]): string[] {
  if (extras.length === 0) return []
  const areas = grouped(extras.map(({ ref }) => [areaIn(ref), nameIn(ref)] as const))
  const lists = [...areas].map(([area, names]) => `${area}: [${names.join(', ')}]`)
  return [
    '',
    heading('came with your host'),
    ...row('', `They stay: ${extras.map(({ text }) => text).join(', ')}.`),
    ...row('', `To remove them, write gone: { ${lists.join(', ')} }`),
    ...row('', `or, for all that your file does not name, only: [${[...areas.keys()].join(', ')}]`),
  ]
}

export function remarkBlocks({ kept, byHand, unseen, never, notes, others, extras }: Comparison): string[] {
  return [
    ...remarkList('kept as it is', kept),
    ...extrasBlock(extras),
    ...remarkList('by hand', byHand, 'Unpack leaves these to you:'),
    ...remarkList('not to be read back', unseen),
    ...remarkList(
      'never',
      never,
      'not to be had on this site as it is planned; “leave” in the baseline excuses a key:',
    ),
    ...remarkList('to know', notes),
    ...(others.length > 0
      ? [
          '',
          heading('in use'),
          ...row(
            '',
            `It holds what neither shipped nor stands in the baseline: ${others.join(', ')}. settle wants --in-use, and then touches only what the baseline names.`,
          ),
        ]
      : []),
  ]
}

export function compareLines({ comparison, system, rows, expected }: Compared, address: string): string[] {
  const { differences } = comparison
  return [
    `${heading(address)} ${pc.dim(system ? `${system.name} ${system.version}` : '')}`,
    ...(expected
      ? row(
          '',
          'The first-run form waits there: what the system ships is expected, and compared again once it is seen.',
          0,
        )
      : []),
    ...differenceBlocks(differences, comparison.names, rows.access ?? []),
    ...remarkBlocks(comparison),
    '',
    differences.length === 0
      ? `Nothing ${comparison.never.length + comparison.byHand.length + comparison.theirKeys.length > 0 ? 'else ' : ''}differs from the baseline.`
      : `${differences.length === 1 ? 'One difference' : `${differences.length} differences`} from the baseline, in the order in which they would be settled.`,
  ]
}
