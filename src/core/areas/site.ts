import { z } from 'zod'
import type { Area } from '../area.js'
import { languageTag, mail, siteAddress, timeZone } from '../baseline/values.js'

export const siteSchema = z.strictObject({
  address: siteAddress.describe('Where visitors find the site, as a whole address'),
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
  searchEngines: z.enum(['welcome', 'turned away']).optional().describe('Whether search engines may list the site'),
  contact: mail.optional().describe('Where the site itself writes to'),
})

export interface SiteItem {
  title?: string
  description?: string
  language?: string
  timezone?: string
  searchEngines?: 'welcome' | 'turned away'
  contact?: string
  /** Whether the addresses that the site gives its items lead to them; some systems need a push for that after their first run. */
  addresses?: 'open' | 'not found'
}

const keys = ['title', 'description', 'language', 'timezone', 'searchEngines', 'contact'] as const
const words: Partial<Record<keyof SiteItem, string>> = {
  timezone: 'time zone',
  searchEngines: 'search engines',
  contact: 'contact address',
  addresses: "its items' own addresses",
}

/** `en` wants no region; `en-GB` does. */
const sameLanguage = (wanted: string, found: string): boolean =>
  found.toLowerCase() === wanted.toLowerCase() ||
  (!wanted.includes('-') && found.toLowerCase().split('-')[0] === wanted.toLowerCase())

export const site: Area<'site', SiteItem> = {
  name: 'site',
  title: 'site',
  list: 'one',
  keys: [...keys, 'addresses'],
  ref: () => 'site',
  // addresses that lead nowhere are nobody's plan, so the file has no key for them
  plan: ({ site }) => [
    {
      item: {
        ...Object.fromEntries(keys.filter((key) => site[key] !== undefined).map((key) => [key, site[key]])),
        addresses: 'open',
      },
    },
  ],
  same(key, wanted, found) {
    if (key === 'language') return sameLanguage(String(wanted), String(found))
    if (key === 'contact') return String(wanted).toLowerCase() === String(found).toLowerCase()
    return wanted === found || (key === 'addresses' && found === '')
  },
  call: () => 'the site',
  say: (key) => words[key] ?? key,
  expect: ([item]) => [
    ...(item?.title
      ? [{ name: 'the front page shows the title', at: 'front' as const, look: 'shows' as const, texts: [item.title] }]
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
    { name: 'the feed can be read', at: 'feed', look: 'feed' },
  ],
}
