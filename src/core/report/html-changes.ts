import { areaNames, areaOf } from '../areas/index.js'
import type { WordChange } from '../text/word-changes.js'
import { count } from '../text/count.js'
import { esc, folded, list } from './html-parts.js'
import type { Report } from './report.js'

type Changed = Report['changed'][number]
type Field = Changed['fields'][number]

const fate = (one: Changed['outcome']): string => (one === 'settled' ? '' : ` <strong class="bad">${esc(one)}</strong>`)

const word: Readonly<Record<WordChange['is'], (text: string) => string>> = {
  same: esc,
  gone: (text) => `<del>${esc(text)}</del>`,
  new: (text) => `<ins>${esc(text)}</ins>`,
}
const words = (changes: readonly WordChange[]): string => changes.map(({ is, text }) => word[is](text)).join('')

/** One field in a line: what was found, and what became of it. */
const fieldLine = ({ name, found, wanted, words: changes }: Field, isNew: boolean): string =>
  changes
    ? `${esc(name)}: <span class="words">${words(changes)}</span>`
    : `${esc(name)}: ${isNew ? '' : `<span class="found">${esc(found)}</span> <span aria-label="became">→</span> `}<b>${esc(wanted)}</b>`

/** A difference: an item's is a line to be opened, that of a setting its fields. */
function changedItem(one: Changed, isSetting: boolean): string {
  const fields = one.fields.map((field) => fieldLine(field, one.is === 'missing'))
  const why = one.why === undefined ? '' : ` <span class="bad">${esc(one.why)}</span>`
  if (isSetting) return list(fields.map((field) => `${field}${fate(one.outcome)}${why}`))
  const keys = one.is === 'missing' ? 'made' : one.fields.map(({ name }) => name).join(', ')
  return folded(`${esc(one.what)} <span class="quiet">${esc(keys)}</span>${fate(one.outcome)}${why}`, list(fields))
}

/** What was changed, folded by area. */
export function changesByArea(changed: readonly Changed[]): string {
  return areaNames
    .flatMap((name) => {
      const own = changed.filter((one) => one.area === name)
      if (own.length === 0) return []
      const area = areaOf(name)
      const failed = own.some(({ outcome }) => outcome === 'failed')
      const made = own.filter(({ is }) => is === 'missing').length
      const parts = [
        ...(made > 0 ? [`${made} made`] : []),
        ...(made < own.length ? [`${own.length - made} changed`] : []),
      ]
      const isSetting = area.list === 'one'
      return `<article>${folded(
        `<b>${esc(area.title)}</b> <span class="quiet">${isSetting ? count(own.flatMap(({ fields }) => fields).length, 'setting') : parts.join(', ')}</span>`,
        own.map((one) => changedItem(one, isSetting)).join(''),
        failed,
      )}</article>`
    })
    .join('')
}

/** What went, and where its copy lies. */
export const removals = ({ removed }: Report): string =>
  list(
    removed.map(
      ({ what, why, outcome, copy }) =>
        `${esc(what)}: ${esc(why)}${fate(outcome)}${copy === undefined ? '' : ` · <a href="${esc(copy)}">its copy</a>`}`,
    ),
  )
