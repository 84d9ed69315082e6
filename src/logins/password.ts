import { randomInt } from 'node:crypto'
import { Secret } from '../core/secret.js'

/**
 * Makes a strong password: at least 20 characters, with a small and a capital letter and a digit whatever chance says.
 * @param rules what the system takes
 * @example makePassword({ length: 24, characters: 'abcdefghjkmnpqrstuvwxyzABCDEFGHJKMNPQRSTUVWXYZ23456789' }).reveal().length // 24
 */
export function makePassword({ length, characters }: { length: number; characters: string }): Secret {
  const pick = (from: string): string => from.charAt(randomInt(from.length))
  const all = Array.from({ length: Math.max(20, length) }, () => pick(characters))
  const sorts = [/[a-z]/g, /[A-Z]/g, /[0-9]/g]
    .map((sort) => (characters.match(sort) ?? []).join(''))
    .filter((sort) => sort !== '')
  if (sorts.every((sort) => all.some((character) => sort.includes(character)))) return new Secret(all.join(''))
  return makePassword({ length, characters })
}
