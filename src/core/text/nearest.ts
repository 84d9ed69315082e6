import { closest, distance } from 'fastest-levenshtein'

/* The nearest right value to one that is not: of time zones by the city that they are named after, of languages by their names. */

/** The IANA time zone that was most likely meant; nothing where none is near. @example nearestZone('Berlin') // 'Europe/Berlin' */
export function nearestZone(text: string): string | undefined {
  const plain = (zone: string) => zone.toLowerCase().replaceAll(/[\s_]+/g, '')
  const wanted = plain(text)
  const zones = [...Intl.supportedValuesOf('timeZone'), 'UTC']
  const city = (zone: string) => plain(zone.split('/').at(-1) ?? zone)
  const steps = (zone: string) =>
    Math.min(distance(wanted, plain(zone)), wanted.includes('/') ? Infinity : distance(wanted, city(zone)))
  const [nearest] = zones.map((zone) => ({ zone, steps: steps(zone) })).sort((a, b) => a.steps - b.steps)
  return nearest && nearest.steps <= Math.max(2, wanted.length / 4) ? nearest.zone : undefined
}

const letters = Array.from({ length: 26 }, (_, index) => String.fromCharCode(97 + index))
const nameOf = (tag: string, language: string): string | undefined => {
  try {
    return new Intl.DisplayNames(language, { type: 'language', fallback: 'none' }).of(tag)
  } catch {
    return undefined
  }
}

/** Whether a language goes by this tag, region and script apart. */
export const isKnownLanguage = (tag: string): boolean => nameOf(tag.split('-')[0] ?? '', 'en') !== undefined

/** The BCP 47 tag of a language by its name, in English or in itself. @example languageNamed('German') // 'de' */
export function languageNamed(text: string): string | undefined {
  const wanted = text.trim().toLowerCase()
  const named = new Map(
    letters.flatMap((first) =>
      letters.flatMap((second): [string, string][] => {
        const tag = first + second
        const name = nameOf(tag, 'en')
        if (name === undefined) return []
        return [
          [name.toLowerCase(), tag],
          [nameOf(tag, tag)?.toLowerCase() ?? name.toLowerCase(), tag],
        ]
      }),
    ),
  )
  const near = closest(wanted, [...named.keys()])
  return distance(wanted, near) <= 1 ? named.get(near) : undefined
}
