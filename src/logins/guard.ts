import { encodeHTML, encodeXML, escapeText } from 'entities'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import { changeTexts } from '../core/text/texts.js'

const DOTS = '••••••••'
/** A secret shorter than this guards nothing, and would hide every text. */
const LEAST = 4

const numbered = (text: string, write: (code: number) => string, which: (sign: string) => boolean): string =>
  Array.from(text)
    .map((sign) => (which(sign) ? write(sign.codePointAt(0) ?? 0) : sign))
    .join('')
const isSign = (sign: string): boolean => !/[\p{L}\p{N}]/u.test(sign)
const isFar = (sign: string): boolean => (sign.codePointAt(0) ?? 0) > 126 || '<>&"\''.includes(sign)
const base64 = (text: string): string => btoa(String.fromCharCode(...new TextEncoder().encode(text)))
const unicode = (text: string): string =>
  text
    .split('')
    .map((unit) => (unit.charCodeAt(0) > 126 ? `\\u${unit.charCodeAt(0).toString(16).padStart(4, '0')}` : unit))
    .join('')

/** The ways in which a text may stand in what a site answers, or in what is written of it. */
export function formsOf(text: string): string[] {
  if (text.length < LEAST) return []
  const plain = [text, text.normalize('NFC'), text.normalize('NFD')]
  const all = plain.flatMap((one) => {
    const percent = encodeURIComponent(one)
    const json = JSON.stringify(one).slice(1, -1)
    const named = one.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
    return [
      one,
      percent,
      percent.replace(/%[0-9A-F]{2}/g, (part) => part.toLowerCase()),
      // as forms are sent: a blank is a plus, and more signs have numbers
      new URLSearchParams({ '': one }).toString().slice(1),
      encodeURI(one),
      json,
      unicode(json),
      json.replaceAll('/', '\\/'),
      escapeText(one),
      encodeXML(one),
      encodeHTML(one),
      named,
      named.replaceAll("'", '&#39;'),
      ...[isSign, isFar].flatMap((which) => [
        numbered(one, (code) => `&#${code};`, which),
        numbered(one, (code) => `&#x${code.toString(16)};`, which),
        numbered(one, (code) => `&#0${code};`, which),
      ]),
      base64(one),
    ]
  })
  return [...new Set(all)].sort((a, b) => b.length - a.length)
}

/** Secrets of one run. Nothing that leaves it holds them, in whatever way they are written. */
export class Guard {
  readonly #forms = new Map<string, readonly string[]>()
  #all: readonly string[] = []

  add(...secrets: readonly (Secret | undefined)[]): void {
    for (const secret of secrets) {
      const text = secret?.reveal() ?? ''
      if (!this.#forms.has(text)) this.#forms.set(text, formsOf(text))
    }
    this.#all = [...new Set([...this.#forms.values()].flat())].sort((a, b) => b.length - a.length)
  }

  /** A text without them. */
  text = (text: string): string => this.#all.reduce((left, form) => left.replaceAll(form, DOTS), text)

  /** Plain data without them; what holds none stays the same object. */
  all<T>(value: T): T {
    return this.#all.length === 0 ? value : changeTexts(value, this.text)
  }

  /** An error without them. */
  error(error: UnpackError): UnpackError {
    return this.#all.length === 0 ? error : error.told(this.text)
  }
}
