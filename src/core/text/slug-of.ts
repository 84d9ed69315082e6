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
