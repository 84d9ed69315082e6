import type { Remark } from '../compare.js'

/** A text as HTML shows it. */
export const esc = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;').replace(/'/g, '&#39;')

/** A headed part of the page; nothing where it has no body. */
export const section = (title: string, body: string, intro = '', id = ''): string =>
  body === ''
    ? ''
    : `<section${id && ` id="${id}"`}><h2>${esc(title)}</h2>${intro && `<p class="quiet">${esc(intro)}</p>`}${body}</section>`

/** A list of pieces of HTML. */
export const list = (items: readonly string[]): string =>
  items.length === 0 ? '' : `<ul>${items.map((item) => `<li>${item}</li>`).join('')}</ul>`

/** Remarks, by the key that they are about: an item is named in its text. */
export const remarks = (items: readonly Remark[]): string =>
  list(items.map(({ ref, text }) => `${/\./.test(ref) ? `<code>${esc(ref)}</code> ` : ''}${esc(text)}`))

/** What is to be opened by a click, without script. */
export const folded = (summary: string, body: string, open = false): string =>
  `<details${open ? ' open' : ''}><summary>${summary}</summary>${body}</details>`

/** A link, where the address is one that a browser may follow. */
export const link = (address: string, text = address): string =>
  /^https?:\/\//.test(address) ? `<a href="${esc(address)}">${esc(text)}</a>` : esc(text)
