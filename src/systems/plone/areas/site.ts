import { z } from 'zod'
import { weekdays, type SiteItem } from '../../../core/areas/site.js'
import { site as core } from '../../../core/areas/site.js'
import type { Baseline } from '../../../core/baseline/schema.js'
import { nameIn, refOf } from '../../../core/ref.js'
import { textOf } from '../../../core/value.js'
import { sharedLook } from '../../../looks/index.js'
import { logoAt } from '../../../looks/logo.js'
import { bad, good, notLookedAt } from '../../../looks/look.js'
import { feedAt } from '../../../looks/feed.js'
import { load } from 'cheerio'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { firstRun } from '../carriers/first-run.js'
import { settings, type SettingValues } from '../carriers/settings.js'
import { cldrDate, systemDate, whyNotSo } from '../dates.js'
import { DATE_RECORDS, panels, panelPlace, recordOf, rootOf } from '../panels.js'
import type { PloneSession } from '../session.js'

/** The system counts from Monday on. */
const days = [...weekdays.slice(1), weekdays[0]]
const vocabulary = z.object({ items: z.array(z.object({ token: z.string() })), items_total: z.number() })

export const site: AreaOnSystem<'site', PloneSession> = {
  can({ baseline }) {
    const { item } = core.plan(baseline)[0] ?? {}
    const why = whyNotSo(item?.date, baseline.site.language)
    return {
      contact: { never: 'this system writes from the address under mail.from, and from no other' },
      ...(why !== undefined && { date: { never: why } }),
      ...(!isAtTop(baseline) && {
        searchEngines: {
          byHand:
            'search engines read robots.txt of the whole server alone; ask the host, or give the site an address of its own',
        },
      }),
    }
  },
  async read(session, baseline) {
    const [panel, language, clock, root, dates] = await Promise.all([
      panels.site(session),
      panels.language(session),
      panels.clock(session),
      rootOf(session),
      datesOf(session),
    ])
    const wanted = baseline.site.title
    const item: SiteItem = {
      // it stands in two places: what differs in one of them differs
      title: root.title === wanted ? panel.site_title : root.title,
      description: root.description,
      language: language.default_language,
      timezone: clock.portal_timezone,
      ...dates,
      weekStarts: days[Number(clock.first_weekday)],
      searchEngines: /^\s*disallow:\s*\/\s*$/im.test(panel.robots_txt) && isAtTop(baseline) ? 'turned away' : 'welcome',
      icon: refIn(panel.site_favicon),
      logo: refIn(panel.site_logo),
      addresses: 'open',
    }
    return [{ id: 'site', item, copy: { ...panel, ...clock, ...language, title: root.title } }]
  },
  async choices(session, { site: { language: wanted } }): Promise<{ language?: string[] }> {
    const now = wanted === undefined ? undefined : (await panels.language(session)).default_language
    if (wanted === undefined || now?.toLowerCase() === wanted.toLowerCase()) return {}
    const place = '@vocabularies/plone.app.vocabularies.AvailableContentLanguages'
    const known = await session.list(place, vocabulary, 'the languages that there are')
    return { language: known.map((one) => one.token) }
  },
  translate: (differences, { firstRun: atFirstRun, baseline }) =>
    differences.flatMap((difference): Step[] => {
      if (difference.is === 'left over') return []
      const { wanted } = difference
      const proves = [difference]
      const keys: readonly string[] = difference.is === 'different' ? difference.fields : Object.keys(wanted)
      const value = (key: keyof SiteItem) => (keys.includes(key) ? wanted[key] : undefined)
      const { title, description, language, timezone } = wanted
      if (atFirstRun)
        return [
          Step.of(
            firstRun,
            {
              ...(title !== undefined && { title }),
              ...(description !== undefined && { description }),
              ...(language !== undefined && { default_language: language.toLowerCase() }),
              ...(timezone !== undefined && { portal_timezone: timezone }),
              ...(wanted.logo !== undefined && { site_logo: asAddress(wanted.logo, baseline) }),
              setup_content: baseline.samples === 'shipped',
            },
            { proves },
          ),
        ]
      const steps: SettingValues[] = []
      const say = (place: string, values: SettingValues['values']) => void steps.push({ place, values })
      if (value('title') !== undefined) {
        say(panelPlace('site'), { site_title: textOf(title) })
        say('', { title: textOf(title) })
      }
      if (value('description') !== undefined) say('', { description: textOf(description) })
      const tag = textOf(language).toLowerCase()
      if (value('language') !== undefined) {
        say(panelPlace('language'), { available_languages: [tag], default_language: tag })
        say('', { language: tag })
      }
      const zone = textOf(timezone)
      if (value('timezone') !== undefined)
        say(panelPlace('date-and-time'), { portal_timezone: zone, available_timezones: [zone] })
      const day = value('weekStarts')
      if (day !== undefined)
        say(panelPlace('date-and-time'), { first_weekday: String(days.indexOf(textOf(day) as never)) })
      if (value('date') !== undefined || value('time') !== undefined) {
        const [date, time] = [systemDate(wanted.date ?? 'd MMMM y'), systemDate(wanted.time ?? 'HH:mm')]
        const { on, long, short, time: clock } = DATE_RECORDS
        say('@registry', { [on]: true, [short]: date, [long]: `${date} ${time}`, [clock]: time })
        say(panelPlace('site'), { display_publication_date_in_byline: true })
        say(panelPlace('security'), { allow_anon_views_about: true })
      }
      if (value('searchEngines') !== undefined)
        say(panelPlace('site'), {
          robots_txt: `User-agent: *\nDisallow:${wanted.searchEngines === 'welcome' ? '' : ' /'}\n`,
        })
      if (value('icon') !== undefined) say(panelPlace('site'), iconOf(textOf(wanted.icon), baseline))
      if (value('logo') !== undefined) say(panelPlace('site'), { site_logo: asField(textOf(wanted.logo), baseline) })
      return steps.map((step) => Step.of(settings, step, { proves }))
    }),
  ships: () => [
    {
      id: 'site',
      item: {
        ...{ title: '', description: '', language: '', timezone: '', date: '', time: '', weekStarts: 'sunday' },
        ...{ searchEngines: 'welcome', icon: '', logo: '', addresses: 'open' },
      },
    },
  ],
  looks: {
    // in the document's title, the system resolves entities that are letters of the name
    async title(expected, sight) {
      const seen = await sharedLook('title')?.(expected, sight)
      const { text, url } = await sight.visit(sight.place)
      const named = load(text)('h1').first().text().trim() === expected.text
      return seen?.outcome === 'failed' && named ? good(url) : (seen ?? bad(url))
    },
    // a page in front of it hides the site's own description
    async shows(expected, sight) {
      const seen = await sharedLook('shows')?.(expected, sight)
      const { text, url } = await sight.visit(sight.place)
      const isOwn = load(text)('body.portaltype-plone-site').length > 0
      return seen?.outcome === 'failed' && !isOwn
        ? notLookedAt(`${url} is a page, which shows its own`)
        : (seen ?? bad(url))
    },
    feed: feedAt('/rss.xml'),
    // wherever the theme has it
    logo: logoAt('img[src*="/@@site-logo/"]'),
  },
}

const isAtTop = ({ site }: Baseline): boolean => new URL(site.address).pathname === '/'

/** How dates are written: nothing of our own as long as the form is the system's. */
async function datesOf(session: PloneSession): Promise<{ date: string; time: string }> {
  if (!(await recordOf(session, DATE_RECORDS.on, z.boolean().nullable()))) return { date: '', time: '' }
  const [date, time] = await Promise.all([
    recordOf(session, DATE_RECORDS.short, z.string()),
    recordOf(session, DATE_RECORDS.time, z.string()),
  ])
  return { date: cldrDate(date), time: cldrDate(time) }
}

/* A picture in a setting: its name and its bytes in one text. Any other text would break every page. */
const pictureOf = (ref: string, { uploads }: Baseline) =>
  Object.values(uploads).find(({ name }) => name === nameIn(ref))
const base64 = (bytes: Uint8Array | string): string => Buffer.from(bytes as string).toString('base64')
const asField = (ref: string, baseline: Baseline): string | null => {
  const picture = pictureOf(ref, baseline)
  return picture ? `filenameb64:${base64(picture.file)};datab64:${base64(picture.bytes)}` : null
}
const asAddress = (ref: string, baseline: Baseline): string => {
  const picture = pictureOf(ref, baseline)
  return picture ? `data:${picture.type};name=${picture.file};base64,${base64(picture.bytes)}` : ''
}
const iconOf = (ref: string, baseline: Baseline): SettingValues['values'] => ({
  site_favicon: asField(ref, baseline),
  site_favicon_mimetype: pictureOf(ref, baseline)?.type ?? 'image/png',
})
const refIn = (field: string): string => {
  const name = /^filenameb64:([^;]*);/.exec(field)?.[1]
  return name === undefined
    ? ''
    : refOf(
        'media',
        Buffer.from(name, 'base64')
          .toString('utf8')
          .replace(/\.[^.]*$/, ''),
      )
}
