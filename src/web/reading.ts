import { load, type CheerioAPI } from 'cheerio'
import type { z } from 'zod'
import { UnpackError } from '../core/errors.js'
import { jsonOf, type Answer } from './answer.js'
import { formOn, type Form } from './forms.js'

/** What shows that an answer is the page that was asked for. */
export interface Sign {
  /** A CSS selector that finds something on this page, and on no other. */
  has: string
  /** What that is, in an owner's words. */
  wanted: string
}

/** What shows that a form is the one that was asked for, and whole. */
export interface FormSign extends Sign {
  /** A CSS selector of the form. */
  form: string
  /** Names of fields that it has: sent without one of them, it would change a setting that nobody meant. */
  fields: readonly string[]
}

/**
 * Whether a page came to its end: one that was cut off holds less than it should. Comments of caches may stand behind it.
 * @example isWhole('<html><body>Quay</body></html>') // true
 */
export const isWhole = (html: string): boolean => /<\/html\s*>(?:\s|<!--[\s\S]{0,2000}?-->)*$/i.test(html.slice(-8192))

const unexpected = ({ url, text }: Answer, wanted: string): UnpackError =>
  UnpackError.of('screen-unexpected', { url, wanted }, { page: text })

/**
 * The page that was asked for, taken apart: answered with 200, whole, and with its sign.
 * @throws UnpackError `screen-unexpected` for any other answer, with the page for the record
 * @example pageOf(await visitor.get('/office/'), { has: 'main#office', wanted: 'the dashboard' })('h1').text()
 */
export function pageOf(answer: Answer, { has, wanted }: Sign): CheerioAPI {
  if (answer.status !== 200 || !isWhole(answer.text)) throw unexpected(answer, wanted)
  const $ = load(answer.text)
  if ($(has).length === 0) throw unexpected(answer, wanted)
  return $
}

/**
 * The JSON document that was asked for: answered with 200, and in the shape that it must have.
 * @throws UnpackError `screen-unexpected` for any other answer
 * @example documentOf(await visitor.get('/api/site'), z.object({ title: z.string() }), 'the site’s settings').title
 */
export function documentOf<T>(answer: Answer, schema: z.ZodType<T>, wanted: string): T {
  const parsed = schema.safeParse(jsonOf(answer))
  if (answer.status !== 200 || !parsed.success) throw unexpected(answer, wanted)
  return parsed.data
}

/**
 * The form that was asked for, on its page, with all its fields.
 * @throws UnpackError `screen-unexpected` for anything else
 * @example formIn(await visitor.get('/office/settings'), { form: 'form#edit', fields: ['title'], wanted: 'the settings' }).fields
 */
export function formIn(answer: Answer, sign: FormSign): Form {
  const form = formOn(pageOf(answer, sign), sign.form)
  const lost = sign.fields.find((name) => !form?.names.includes(name))
  if (!form || lost !== undefined)
    throw unexpected(answer, lost === undefined ? sign.wanted : `the field “${lost}” of ${sign.wanted}`)
  return form
}
