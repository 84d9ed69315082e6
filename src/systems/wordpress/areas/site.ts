import { weekdays, type SiteItem } from '../../../core/areas/site.js'
import { refOf } from '../../../core/ref.js'
import { logoAt } from '../../../looks/logo.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { type IdOf, idOf } from '../../later.js'
import { Step } from '../../step.js'
import { feed } from '../feed.js'
import { firstRun } from '../carriers/first-run.js'
import { logo } from '../carriers/logo.js'
import { options } from '../carriers/options.js'
import { permalinks } from '../carriers/permalinks.js'
import { cldrDate, phpDate } from '../dates.js'
import { addressesOf, mediaOf } from '../items.js'
import { localeOf, tagOf } from '../locale.js'
import { languagesOf } from '../languages.js'
import { showsLogo } from '../logo.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'
import { titleAsHtml } from '../titles.js'
import { themeInUse } from './theme.js'

const zone = (values: Record<string, string>): string => {
  if (values.timezone_string) return values.timezone_string
  const hours = Number(values.gmt_offset ?? 0)
  return hours === 0 ? 'UTC' : `UTC${hours > 0 ? '+' : ''}${hours}`
}

/** Each key as the system's own setting. */
const settings: Partial<Record<keyof SiteItem, (value: string) => Record<string, string | IdOf>>> = {
  title: (value) => ({ blogname: titleAsHtml(value) }),
  description: (value) => ({ blogdescription: titleAsHtml(value) }),
  language: (value) => ({ WPLANG: localeOf(value) }),
  timezone: (value) => ({ timezone_string: value }),
  date: (value) => ({ date_format: phpDate(value) }),
  time: (value) => ({ time_format: phpDate(value) }),
  weekStarts: (value) => ({ start_of_week: String(weekdays.findIndex((day) => day === value)) }),
  searchEngines: (value) => ({ blog_public: value === 'turned away' ? '0' : '1' }),
  contact: (value) => ({ admin_email: value }),
  icon: (value) => ({ site_icon: idOf(value) }),
  logo: (value) => ({ site_logo: idOf(value) }),
}

export const site: AreaOnSystem<'site', WordPressSession> = {
  async read(session) {
    const [{ values }, addresses, uploads] = await Promise.all([
      optionsOf(session),
      addressesOf(session),
      mediaOf(session),
    ])
    const upload = (id = '') => {
      const found = uploads.find((one) => String(one.id) === id)
      return found ? refOf('media', found.slug) : ''
    }
    const logoSet = upload(values.site_logo)
    const item: SiteItem = {
      title: values.blogname ?? '',
      description: values.blogdescription ?? '',
      language: tagOf(values.WPLANG ?? ''),
      timezone: zone(values),
      date: cldrDate(values.date_format ?? ''),
      time: cldrDate(values.time_format ?? ''),
      weekStarts: weekdays[Number(values.start_of_week)],
      searchEngines: values.blog_public === '0' ? 'turned away' : 'welcome',
      contact: values.admin_email ?? '',
      icon: upload(values.site_icon),
      logo: logoSet !== '' && (await showsLogo(session)) ? logoSet : '',
      addresses,
    }
    return [{ id: 'site', item }]
  },
  async choices(session, { site: { language: wanted } }): Promise<{ language?: string[] }> {
    const { values } = await optionsOf(session)
    // its own screen is opened only where the language is to change
    if (wanted === undefined || localeOf(wanted) === (values.WPLANG ?? '')) return {}
    return { language: await languagesOf(session) }
  },
  translate(differences, { firstRun: atFirstRun }) {
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { wanted } = difference
      const proves = [difference]
      if (atFirstRun)
        return [
          Step.of(
            firstRun,
            {
              weblog_title: titleAsHtml(wanted.title ?? ''),
              language: wanted.language === undefined ? '' : localeOf(wanted.language),
              blog_public: wanted.searchEngines === 'turned away' ? '0' : '1',
            },
            { proves },
          ),
        ]
      const changed = (Object.keys(settings) as (keyof SiteItem)[]).filter(
        (key) => wanted[key] !== undefined && (difference.is === 'missing' || difference.fields.includes(key)),
      )
      const fields = Object.assign({}, ...changed.map((key) => settings[key]?.(String(wanted[key])))) as Record<
        string,
        string | IdOf
      >
      const addresses = difference.is === 'missing' || difference.fields.includes('addresses')
      return [
        ...(changed.length > 0 ? [Step.of(options, fields, { proves })] : []),
        ...(changed.includes('logo') ? [Step.of(logo, {}, { proves, after: [themeInUse] })] : []),
        ...(addresses ? [Step.of(permalinks, {}, { proves })] : []),
      ]
    })
  },
  ships: () => [
    {
      id: 'site',
      item: {
        title: '',
        description: '',
        language: 'en-US',
        timezone: 'UTC',
        date: 'MMMM d, y',
        time: 'h:mm aaa',
        weekStarts: 'monday',
        icon: '',
        logo: '',
        searchEngines: 'welcome',
        contact: '',
        addresses: 'not found',
      },
    },
  ],
  looks: { feed, logo: logoAt('.wp-block-site-logo img, img.custom-logo') },
}
