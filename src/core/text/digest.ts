import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'

/**
 * SHA-256 of a text in UTF-8, as 64 hex digits.
 * @example digest('').slice(0, 8) // 'e3b0c442'
 */
export const digest = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)))

/**
 * The digest of an item or value, whatever the order of its fields.
 * @example itemDigest({ a: 1, b: 2 }) === itemDigest({ b: 2, a: 1 }) // true
 */
export const itemDigest = (item: unknown): string =>
  digest(
    JSON.stringify(item ?? null, (_key, value: unknown) =>
      typeof value === 'object' && value !== null && !Array.isArray(value)
        ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
        : value,
    ),
  )
