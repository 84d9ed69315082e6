import { z } from 'zod'
import { addressText, parseAddress } from '../address.js'
import { isCountry, isCurrency } from '../money/currency.js'
import { compareDecimals, isDecimal } from '../money/decimal.js'
import { isKnownLanguage, languageNamed, nearestZone } from '../text/nearest.js'

/** Each kind of value says what it expects; the message never repeats what was written, which may be a password. */

const isZone = (text: string): boolean => {
  if (!/^[A-Za-z]/.test(text)) return false
  try {
    return new Intl.DateTimeFormat('en', { timeZone: text }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}
const isLanguage = (text: string): boolean => {
  try {
    return Intl.getCanonicalLocales(text).length === 1 && isKnownLanguage(text)
  } catch {
    return false
  }
}

/** What is expected, and the right value that is nearest, where one is. */
const orNearest = (expected: string, nearest: string | undefined): string =>
  nearest === undefined ? expected : `${expected}; the nearest is ${nearest}`

export const siteAddress = z
  .string()
  .refine((text) => parseAddress(text) !== null, { error: 'an http or https address without user name, ? or #' })
  .meta({ examples: ['http://127.0.0.1:4101/'] })
  .transform((text) => {
    const address = parseAddress(text)
    return address ? addressText(address) : text
  })

export const timeZone = z
  .string()
  .refine(isZone, {
    error: ({ input }) => orNearest('an IANA time zone', nearestZone(String(input))),
  })
  .meta({ examples: ['Europe/London'] })

export const languageTag = z
  .string()
  .refine(isLanguage, {
    error: ({ input }) => orNearest('a BCP 47 language tag', languageNamed(String(input))),
  })
  .meta({ examples: ['en'] })

export const mail = z
  .string()
  .regex(/^[^\s@<>"]+@[^\s@<>"]+\.[^\s@<>".]+$/, { error: 'an e-mail address' })
  .meta({ examples: ['desk@repair.example'] })

export const slug = z
  .string()
  .regex(/^[\p{Ll}\p{Lo}\p{N}]+(?:-[\p{Ll}\p{Lo}\p{N}]+)*$/u, {
    error: 'small letters and digits, joined by single hyphens',
  })
  .meta({ examples: ['opening-days'] })

/** A page's place among the others: its slug, behind those of the pages it stands under. */
export const pagePath = z
  .string()
  .regex(/^[\p{Ll}\p{Lo}\p{N}]+(?:[-/][\p{Ll}\p{Lo}\p{N}]+)*$/u, {
    error: 'a slug, or a path of slugs as in visit/hours',
  })
  .meta({ examples: ['visit/hours'] })

export const userName = z
  .string()
  .regex(/^[A-Za-z0-9](?:[A-Za-z0-9._-]{0,58}[A-Za-z0-9])?$/, {
    error: 'up to 60 letters, digits, dots, hyphens or underscores',
  })
  .meta({ examples: ['marlow'] })

export const fileName = z
  .string()
  .refine((text) => text !== '' && !/^[/\\]|^[A-Za-z]:|(^|[/\\])\.\.([/\\]|$)/.test(text), {
    error: 'a file in the folder of the baseline, or below it',
  })
  .meta({ examples: ['pages/visit.md'] })

/** A place of a theme: `main`, `footer`. */
export const placeName = z
  .string()
  .regex(/^[a-z][a-z0-9]*(?:-[a-z0-9]+)*$/, { error: 'a place such as main or footer' })
  .meta({ examples: ['main'] })

/** A theme or add-on, by the name of its folder. */
export const packageName = z
  .string()
  .regex(/^[A-Za-z0-9](?:[A-Za-z0-9._-]{0,98}[A-Za-z0-9])?$/, {
    error: 'the name of its folder: letters, digits, dots, hyphens and underscores',
  })
  .meta({ examples: ['lantern'] })

/** A title that can stand in a path: `Surveys/Raw counts` names a forum within a category. */
export const title = z
  .string()
  .regex(/^[^\s/](?:[^/\n]*[^\s/])?$/, { error: 'a title in one line, without / and without blanks at its ends' })
  .meta({ examples: ['Rock pools'] })

/** A category's or forum's place: its title, behind that of the category it stands in. */
export const forumPath = z
  .string()
  .regex(/^[^/]+(?:\/[^/]+)?$/, { error: 'a title, or category/title' })
  .meta({ examples: ['Surveys/Raw counts'] })

/** Names of groups of this file. */
export const groupList = z
  .array(title.meta({ examples: ['Volunteers'] }))
  .min(1)
  .meta({ examples: [['Volunteers']] })

/** Who may read: everyone, members, or some groups. */
export const readers = z.union([z.enum(['everyone', 'members']), groupList]).meta({ examples: ['members'] })

/** A place on the site, from its address on. */
export const sitePlace = z
  .string()
  .regex(/^\/[^\s?#]+$/, { error: "a place on the site, from the site's address on, as in /opening-times" })
  .meta({ examples: ['/opening-times'] })

/** A date and time on the site's own clock. */
export const localTime = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, { error: 'a date and time as in 2026-03-05T14:07' })

/** Who looks at the finished site. */
export const onlooker = z
  .string()
  .regex(/^(?:visitor|owner|member [A-Za-z0-9._-]+)$/, { error: 'visitor, owner, or member and a user name' })
  .default('visitor')
  .describe('Who looks: visitor, owner, or member and a user name')
  .meta({ examples: ['member limpet'] })

/** A mail server's address; a password does not belong in it. */
export const mailServer = z
  .string()
  .regex(/^smtps?:\/\/[^\s@/:]+(?::\d{1,5})?\/?$/, {
    error: 'smtp:// or smtps://, a host and a port, without user name and password',
  })
  .meta({ examples: ['smtp://127.0.0.1:2525'] })

/** A sum of money: a decimal as text, so that no cent gets lost on the way. */
export const money = z
  .string({ error: 'a sum in quotes, as in "2.40"' })
  .refine(isDecimal, { error: 'a sum such as "2.40": digits, and a point before the smaller part' })
  .meta({ examples: ['2.40'] })

/** A rate in per cent, as text. */
export const percentage = z
  .string({ error: 'per cent in quotes, as in "20"' })
  .refine((text) => isDecimal(text) && compareDecimals(text, '100') <= 0, { error: 'per cent such as "20" or "13.5"' })
  .meta({ examples: ['20'] })

export const country = z
  .string()
  .refine(isCountry, { error: 'a country by the two letters of ISO 3166, as in GB' })
  .meta({ examples: ['GB'] })

export const currency = z
  .string()
  .refine(isCurrency, { error: 'a currency by the three letters of ISO 4217, as in GBP' })
  .meta({ examples: ['GBP'] })

/** What a shop counts its stock by (SKU). */
export const productCode = z
  .string()
  .regex(/^[A-Za-z0-9](?:[A-Za-z0-9._-]{0,62}[A-Za-z0-9])?$/, {
    error: 'up to 64 letters, digits, dots, hyphens or underscores',
  })
  .meta({ examples: ['SQ-0001'] })
