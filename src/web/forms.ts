import { load } from 'cheerio'

/** A form as a browser would send it: where to, and every field with the value it has now. */
export interface Form {
  action: string
  method: string
  fields: Record<string, string>
  /** The same in the order of the form, where a name may stand several times. */
  pairs: [name: string, value: string][]
}

/** A form's pairs with some values changed: a list stands for several of one name, an empty one for none. */
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
 * Reads a form from a page, hidden fields and one-time tokens included. Boxes that are off are left out, as a browser does.
 * @param html the page
 * @param selector which form, as a CSS selector
 * @returns the form, or `undefined` if the page has none such
 */
export function formOn(html: string, selector: string): Form | undefined {
  const $ = load(html)
  const form = $(selector).first()
  if (form.length === 0) return undefined
  const pairs: Form['pairs'] = []
  form.find('input, select, textarea').each((_, element) => {
    const field = $(element)
    const name = field.attr('name')
    const type = field.attr('type') ?? ''
    if (!name || field.attr('disabled') !== undefined || /^(?:submit|button|image|reset|file)$/.test(type)) return
    if (/^(?:checkbox|radio)$/.test(type) && field.attr('checked') === undefined) return
    const value =
      element.tagName === 'select'
        ? (field.find('option[selected]').attr('value') ?? field.find('option').first().attr('value') ?? '')
        : element.tagName === 'textarea'
          ? field.text()
          : (field.attr('value') ?? (type === 'checkbox' ? 'on' : ''))
    pairs.push([name, value])
  })
  return {
    action: form.attr('action') ?? '',
    method: (form.attr('method') ?? 'get').toLowerCase(),
    fields: Object.fromEntries(pairs),
    pairs,
  }
}

/** Whether a page has something that a CSS selector finds. */
export const has = (html: string, selector: string): boolean => load(html)(selector).length > 0
