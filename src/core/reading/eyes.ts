import { z } from 'zod'
import { doorQuestion } from '../access/onlookers.js'
import { onlooker, pagePath } from '../baseline/values.js'
import type { Baseline } from '../baseline/schema.js'
import type { EyesOf, EyesRow } from '../looking.js'
import type { Ref } from '../ref.js'

/** A look at who may read a page. */
export const pageCheck = z.strictObject({
  page: pagePath.describe('A page of this file: its path, or its slug where it is the only one'),
  as: onlooker,
  refused: z.boolean().describe('Whether they must be turned away'),
})

/** What says of a page who may read it, and who may work on it. */
interface Readable {
  parent?: string
  state?: 'published' | 'draft'
  for?: readonly string[]
  'may.write'?: readonly string[]
  'may.edit'?: readonly string[]
}

const isOpen = (item: Readable): boolean => item.state !== 'draft' && (item.for ?? ['everyone']).includes('everyone')

/** @param holds whether pages can stand below it */
function rowOf(at: string, item: Readable, holds: boolean): EyesRow {
  const { 'may.write': write, 'may.edit': edit } = item
  const who = item.state === 'draft' ? [] : (item.for ?? ['everyone'])
  return {
    at,
    may: {
      read: [
        ...who,
        ...(who.includes('everyone') ? ['members'] : []),
        ...(write ?? []),
        ...(edit ?? []),
        'administrators',
      ],
      ...(write && holds && { write: [...write, 'administrators'] }),
      ...(edit && { edit: [...edit, 'administrators'] }),
    },
  }
}

/**
 * Who may read which page: looked at for those that not everybody may read, those that somebody may work on, and those that
 * the file asks about.
 * @param refOf the ref of an item
 * @param named the ref of a page by the name that the file uses
 */
export const pageEyes = <I extends Readable>(
  refOf: (item: I) => Ref,
  named: (name: string, baseline: Baseline) => string,
): EyesOf<I> => ({
  actions: ['read'],
  table(items, baseline) {
    const asked = new Set(baseline.checks.flatMap((check) => ('page' in check ? [named(check.page, baseline)] : [])))
    const holds = (item: I) => {
      const above = items.find((one) => refOf(one) === item.parent)
      return items.some(({ parent }) => parent === refOf(item)) || !above?.['may.write']
    }
    return items
      .filter((item) => !isOpen(item) || item['may.write'] || item['may.edit'] || asked.has(refOf(item)))
      .map((item) => rowOf(refOf(item), item, holds(item)))
  },
  questions: (baseline) =>
    baseline.checks.flatMap((check) =>
      'page' in check ? [doorQuestion(check.page, named(check.page, baseline), check)] : [],
    ),
  tries: { owner: 'write', others: [{ action: 'write' }, { action: 'edit', alone: true }] },
  say: (action) => (action === 'write' ? 'add a page' : action === 'edit' ? 'begin to change it' : action),
})
