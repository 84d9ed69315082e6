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

/**
 * The same of Latin letters and digits alone, for names that every system takes; empty where a name has none.
 * @example latinSlugOf('Лодка & Quay 3') // 'quay-3'
 */
export const latinSlugOf = (name: string): string =>
  slugOf(name)
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
