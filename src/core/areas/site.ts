import { z } from 'zod'
import { dateMistakes } from '../baseline/date-checks.js'
import { fileAt } from '../baseline/named-files.js'
import type { Area } from '../area.js'
import { fileName, languageTag, mail, siteAddress, timeZone } from '../baseline/values.js'
import { refOf } from '../ref.js'
import { dateExample, datePattern } from '../text/dates.js'
import { textOf } from '../value.js'

export const weekdays = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const

const datesSchema = z.strictObject({
  date: z
    .string()
    .optional()
    .describe('The 5th of March 2026, written the way you want dates')
    .meta({ examples: ['5 March 2026'] }),
  time: z
    .string()
    .optional()
    .describe('14:07, written the way you want times')
    .meta({ examples: ['14:07'] }),
  weekStarts: z.enum(weekdays).optional().describe('The first day of the week'),
})

export const siteSchema = z.strictObject({
  address: siteAddress.describe('Where visitors find the site, as a whole address'),
  reachedAt: siteAddress
    .optional()
    .describe('Where it answers today, if that differs: settled there, and moved to its address last'),
  kind: z
    .enum(['blog', 'content', 'shop', 'forum'])
    .optional()
    .describe('What sort of site it is; may be left to the survey'),
  title: z
    .string()
    .min(1)
    .optional()
    .describe("The site's title")
    .meta({ examples: ['Lantern Street Repair Café'] }),
  description: z
    .string()
    .optional()
    .describe('One line under the title')
    .meta({ examples: ['Bikes, lamps and jumpers mended every second Saturday'] }),
  language: languageTag.optional().describe('The language of the site, as a BCP 47 tag such as en or de-AT'),
  timezone: timeZone.optional().describe('The time zone, by its IANA name, such as Europe/London'),
  dates: datesSchema.optional().describe('How dates and times are written, by example'),
  searchEngines: z.enum(['welcome', 'turned away']).optional().describe('Whether search engines may list the site'),
  contact: mail.optional().describe('Where the site itself writes to'),
  open: z
    .strictObject({
      from: z.enum(['now', 'settled']).describe('now = as it is; settled = closed to visitors until it is settled'),
      notice: z.string().min(1).optional().describe('What visitors read while it is closed'),
    })
    .optional()
    .describe('From when visitors may come in')
    .meta({ examples: [{ from: 'settled', notice: 'We open at low water' }] }),
  icon: fileName
    .optional()
    .describe("A picture beside the baseline, for the browser's tab")
    .meta({ examples: ['files/lantern.png'] }),
  logo: fileName
    .optional()
    .describe('A picture beside the baseline, for the head of every page')
    .meta({ examples: ['files/ropewalk-logo.png'] }),
})

export interface SiteItem {
  title?: string
  description?: string
  language?: string
  timezone?: string
  /** How dates are written, as a CLDR pattern (UTS 35). */
  date?: string
  /** How times are written, as a CLDR pattern. */
  time?: string
  weekStarts?: (typeof weekdays)[number]
  searchEngines?: 'welcome' | 'turned away'
  contact?: string
  /** The ref of the upload that is the icon. */
  icon?: string
  /** The ref of the upload that is the logo. */
  logo?: string
  /** Whether the addresses that the site gives its items lead to them; some systems need a push for that after their first run. */
  addresses?: 'open' | 'not found'
}

const plain = ['title', 'description', 'language', 'timezone', 'searchEngines', 'contact'] as const
const words: Partial<Record<keyof SiteItem, string>> = {
  timezone: 'time zone',
  date: 'dates',
  time: 'times',
  weekStarts: 'first day of the week',
  searchEngines: 'search engines',
  contact: 'contact address',
  addresses: "its items' own addresses",
}

const patternOf = (example: string, kind: 'date' | 'time', language = 'en'): string => {
  const read = datePattern(example, kind, language)
  return 'pattern' in read ? read.pattern : example
}

/** `en` wants no region; `en-GB` does. */
const sameLanguage = (wanted: string, found: string): boolean =>
  found.toLowerCase() === wanted.toLowerCase() ||
  (!wanted.includes('-') && found.toLowerCase().split('-')[0] === wanted.toLowerCase())

/** Its part of the baseline file. */
export const sitePart = {
  site: siteSchema
    .describe('The site itself')
    .meta({ examples: [{ address: 'http://127.0.0.1:4101/', title: 'Lantern Street Repair Café' }] }),
}

/** The site's own picture stands at the head of the front page. */
export interface LogoLook {
  look: 'logo'
}

export const site: Area<'site', SiteItem, LogoLook> = {
  name: 'site',
  title: 'site',
  list: 'one',
  questions: [
    { key: 'site.address', ask: 'Where is the site, as visitors type it?' },
    { key: 'site.title', ask: 'What is the site called?' },
    { key: 'site.description', ask: 'What is it about, in one line?' },
    { key: 'site.language', ask: 'In which language is it?' },
    { key: 'site.timezone', ask: 'In which time zone does it live?' },
    { key: 'site.dates', ask: 'How do you write dates and times?' },
    { key: 'site.searchEngines', ask: 'May search engines list it?' },
    { key: 'site.contact', ask: 'To which e-mail address does the site itself write?' },
    { key: 'site.icon', ask: 'Which picture stands for it in a browser’s tab?' },
    { key: 'site.logo', ask: 'Which picture stands at the head of its pages?' },
    { key: 'site.open', ask: 'Shall visitors wait outside until it is settled?' },
  ],
  keys: [...plain.slice(0, 4), 'date', 'time', 'weekStarts', ...plain.slice(4), 'icon', 'logo', 'addresses'],
  files: ({ site }) => ['icon', 'logo'].flatMap((key) => fileAt('picture', site, key, ['site'])),
  mistakes: dateMistakes,
  ref: () => 'site',
  plan: ({ site, uploads }) => {
    const { date, time, weekStarts } = site.dates ?? {}
    const [icon, logo] = [uploads[site.icon ?? ''], uploads[site.logo ?? '']]
    return [
      {
        item: {
          ...Object.fromEntries(plain.filter((key) => site[key] !== undefined).map((key) => [key, site[key]])),
          ...(date !== undefined && { date: patternOf(date, 'date', site.language) }),
          ...(time !== undefined && { time: patternOf(time, 'time', site.language) }),
          ...(weekStarts !== undefined && { weekStarts }),
          ...(icon && { icon: refOf('media', icon.name) }),
          ...(logo && { logo: refOf('media', logo.name) }),
          // addresses that lead nowhere are nobody's plan, so the file has no key for them
          addresses: 'open',
        },
      },
    ]
  },
  links: ['icon', 'logo'],
  settledAlways: ['addresses'],
  same(key, wanted, found) {
    if (key === 'language') return sameLanguage(textOf(wanted), textOf(found))
    if (key === 'contact') return textOf(wanted).toLowerCase() === textOf(found).toLowerCase()
    return wanted === found || (key === 'addresses' && found === '')
  },
  call: () => 'the site',
  say: (key) => words[key] ?? key,
  show: (key, value, language) => (key === 'date' || key === 'time' ? dateExample(textOf(value), language) : undefined),
  expect: ([item]) => [
    ...(item?.title
      ? [{ name: 'the front page shows the title', at: 'front' as const, look: 'title' as const, text: item.title }]
      : []),
    ...(item?.description
      ? [
          {
            name: 'the front page shows the description',
            at: 'front' as const,
            look: 'shows' as const,
            texts: [item.description],
          },
        ]
      : []),
    ...(item?.searchEngines
      ? [
          {
            name: `search engines are ${item.searchEngines}`,
            at: 'front' as const,
            look: 'robots' as const,
            welcome: item.searchEngines === 'welcome',
          },
        ]
      : []),
    ...(item?.logo ? [{ name: 'every page shows the logo', at: 'front' as const, look: 'logo' as const }] : []),
    ...(item?.icon ? [{ name: "the browser's tab has an icon", at: 'front' as const, look: 'icon' as const }] : []),
    { name: 'the feed can be read', at: 'front', look: 'feed', ifAny: true },
  ],
}
