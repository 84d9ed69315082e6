/**
 * A slug for a name: small letters and digits, accents off, the rest hyphens.
 * @example slugOf('Café & Quay') // 'cafe-quay'
 */
export const slugOf = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')

/** Letters that are no other letter with an accent, as they are written where they are not to be had. */
const LATIN: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ı: 'i',
}

/**
 * The same of Latin letters and digits alone, for names that every system takes; empty where a name has none.
 * @example latinSlugOf('Лодка & Grüße 3') // 'grusse-3'
 */
export const latinSlugOf = (name: string): string =>
  slugOf(name)
    .replace(/[ßæœøłđðþı]/g, (letter) => LATIN[letter] ?? '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
