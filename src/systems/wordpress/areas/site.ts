import type { SiteItem } from '../../../core/areas/site.js'
import type { AreaOnSystem } from '../../system.js'
import { Step } from '../../step.js'
import { firstRun } from '../carriers/first-run.js'
import { addressesOf } from '../items.js'
import { options } from '../carriers/options.js'
import { permalinks } from '../carriers/permalinks.js'
import { settings, type SettingsFields } from '../carriers/settings.js'
import { localeOf, tagOf } from '../locale.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'

const zone = (values: Record<string, string>): string => {
  if (values.timezone_string) return values.timezone_string
  const hours = Number(values.gmt_offset ?? 0)
  return hours === 0 ? 'UTC' : `UTC${hours > 0 ? '+' : ''}${hours}`
}

export const site: AreaOnSystem<'site', WordPressSession> = {
  async read(session) {
    const [{ values }, addresses] = await Promise.all([optionsOf(session), addressesOf(session)])
    const item: SiteItem = {
      title: values.blogname ?? '',
      description: values.blogdescription ?? '',
      language: tagOf(values.WPLANG ?? ''),
      timezone: zone(values),
      searchEngines: values.blog_public === '0' ? 'turned away' : 'welcome',
      contact: values.admin_email ?? '',
      addresses,
    }
    return [{ id: 'site', item }]
  },
  translate(differences, { firstRun: atFirstRun }) {
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { title, description, language, timezone, searchEngines, contact, addresses } = difference.wanted
      const changed = (key: keyof SiteItem) => difference.is === 'missing' || difference.fields.includes(key)
      const proves = [difference]
      if (atFirstRun)
        return [
          Step.of(
            firstRun,
            {
              weblog_title: title ?? '',
              language: language === undefined ? '' : localeOf(language),
              blog_public: searchEngines === 'turned away' ? '0' : '1',
            },
            { proves },
          ),
        ]
      const fields: SettingsFields = {
        ...(changed('title') && { title }),
        ...(changed('description') && { description }),
        ...(changed('language') && { language: localeOf(language ?? '') }),
        ...(changed('timezone') && { timezone }),
        ...(changed('contact') && { email: contact }),
      }
      return [
        ...(Object.values(fields).some((value) => value !== undefined) ? [Step.of(settings, fields, { proves })] : []),
        ...(searchEngines && changed('searchEngines')
          ? [Step.of(options, { blog_public: searchEngines === 'turned away' ? '0' : '1' }, { proves })]
          : []),
        ...(addresses && changed('addresses') ? [Step.of(permalinks, {}, { proves })] : []),
      ]
    })
  },
}
