import { load, type Cheerio, type CheerioAPI } from 'cheerio'
import type { AnyNode, Element } from 'domhandler'

/** A form as a browser would send it: where to, and every field with the value it has now. */
export interface Form {
  action: string
  method: string
  fields: Record<string, string>
  /** The same in the order of the form, where a name may stand several times. */
  pairs: [name: string, value: string][]
  /** The names of all its fields, of boxes that are off and of files too. */
  names: string[]
}

/**
 * A form's pairs with some values changed: a list stands for several of one name, an empty one for none.
 * @example changedPairs([['title', 'Quay'], ['day', '1']], { title: 'Pier', day: ['2', '3'] }) // [['title', 'Pier'], ['day', '2'], ['day', '3']]
 */
export const changedPairs = (
  pairs: Form['pairs'],
  changes: Readonly<Record<string, string | readonly string[]>>,
): Form['pairs'] => [
  ...pairs.filter(([name]) => !(name in changes)),
  ...Object.entries(changes).flatMap(([name, value]) =>
    (typeof value === 'string' ? [value] : value).map((one): [string, string] => [name, one]),
  ),
]

/**
 * Reads a form from a page, hidden fields and one-time tokens included, as a browser would send it: boxes that are off and
 * what is disabled are left out, a choice of several gives each of those that are chosen.
 * @param page the page's HTML, or the page taken apart
 * @param selector which form, as a CSS selector
 * @returns the form, or `undefined` if the page has none such
 * @see https://html.spec.whatwg.org/multipage/form-control-infrastructure.html#constructing-the-form-data-set
 * @example formOn('<form id=edit action=/save><input name=title value=Quay></form>', '#edit')?.fields // { title: 'Quay' }
 */
export function formOn(page: string | CheerioAPI, selector: string): Form | undefined {
  const $ = typeof page === 'string' ? load(page) : page
  const form = $(selector).first() as Cheerio<Element>
  if (form.length === 0) return undefined
  const pairs: Form['pairs'] = []
  for (const element of fieldsOf($, form)) {
    const field = $(element)
    const name = field.attr('name')
    const type = (field.attr('type') ?? '').toLowerCase()
    if (!name || isDisabled($, field) || /^(?:submit|button|image|reset|file)$/.test(type)) continue
    if (/^(?:checkbox|radio)$/.test(type) && field.attr('checked') === undefined) continue
    const values =
      element.tagName === 'select'
        ? chosenIn($, field)
        : [
            element.tagName === 'textarea'
              ? field.text()
              : (field.attr('value') ?? (/^(?:checkbox|radio)$/.test(type) ? 'on' : '')),
          ]
    for (const value of values) pairs.push([name, value])
  }
  return {
    action: form.attr('action') ?? '',
    method: (form.attr('method') ?? 'get').toLowerCase(),
    fields: Object.fromEntries(pairs),
    pairs,
    names: [...new Set(fieldsOf($, form).flatMap((element) => $(element).attr('name') ?? []))],
  }
}

/** What belongs to a form: what stands in it, and what names it from elsewhere on the page. */
function fieldsOf($: CheerioAPI, form: Cheerio<Element>): Element[] {
  const fields = 'input, select, textarea'
  const id = form.attr('id')
  const inside = form
    .find(fields)
    .toArray()
    .filter((element) => ($(element).attr('form') ?? id) === id)
  if (id === undefined || id === '') return inside
  const named = $(fields)
    .toArray()
    .filter((element) => $(element).attr('form') === id && !inside.includes(element))
  return [...inside, ...named] as Element[]
}

/** Disabled itself, or within a disabled group but for its heading. */
function isDisabled($: CheerioAPI, field: Cheerio<Element>): boolean {
  if (field.attr('disabled') !== undefined) return true
  return field
    .parents('fieldset[disabled]')
    .toArray()
    .some((group) => {
      const heading = $(group).children('legend').first()
      return heading.length === 0 || !isWithin(field, heading.get(0))
    })
}

const isWithin = (field: Cheerio<Element>, holder: AnyNode | undefined): boolean =>
  field
    .parents()
    .toArray()
    .some((one) => one === holder)

/** The values that are chosen: of several all, else the last chosen one, or the first that can be. */
function chosenIn($: CheerioAPI, select: Cheerio<Element>): string[] {
  const valueOf = (option: Element) => option.attribs.value ?? $(option).text().replace(/\s+/g, ' ').trim()
  const can = (option: AnyNode) =>
    $(option).attr('disabled') === undefined && $(option).parents('optgroup[disabled]').length === 0
  const options = select.find<Element>('option').toArray()
  const chosen = options.filter((option) => $(option).attr('selected') !== undefined)
  if (select.attr('multiple') !== undefined) return chosen.filter(can).map(valueOf)
  const one = chosen.at(-1) ?? options.find(can)
  return one && can(one) ? [valueOf(one)] : []
}

/**
 * Whether a page has something that a CSS selector finds.
 * @example has('<h1>Quay</h1>', 'h1') // true
 */
export const has = (html: string, selector: string): boolean => load(html)(selector).length > 0
