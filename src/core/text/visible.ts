import { changeTexts } from './texts.js'

/**
 * Signs that do something instead of showing something: they move a terminal (C0, C1), turn what is read (bidi marks), end a
 * line, or are not to be seen at all.
 */
const acting =
  /[\p{Cc}\u061c\u200b\u200e\u200f\u2028\u2029\u202a-\u202e\u2060-\u2064\u2066-\u206f\ufeff\ufff9-\ufffb]/gu

/**
 * A text in which signs that act are shown as signs: `␛` for the escape, `‹U+202E›` for a mark that turns a line around.
 * @example visible('a\u202eb') // 'a‹U+202E›b'
 */
export const visible = (text: string): string =>
  text.replace(acting, (sign) => {
    const code = sign.codePointAt(0) ?? 0
    if (code === 0x0a || code === 0x0d) return '↵'
    if (code < 0x20) return String.fromCodePoint(0x2400 + code)
    return code === 0x7f ? '␡' : `‹U+${code.toString(16).toUpperCase().padStart(4, '0')}›`
  })

/**
 * The same for every text in plain data; what has no such sign stays the same object.
 * @example allVisible({ title: 'a\u001b[2J' }) // { title: 'a␛[2J' }
 */
export const allVisible = <T>(value: T): T => changeTexts(value, visible)
