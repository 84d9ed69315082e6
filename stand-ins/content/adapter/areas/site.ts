import { feedAt, idOf, refOf, settingSteps, Step, textOf, type AreaOnSystem, type ItemOf, logoAt } from 'unpack'
import { languagesOf } from '../../../common/adapter/languages.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as, box } from '../../../common/adapter/settings.js'
import { firstRun } from '../carriers/first-run.js'
import { settings } from '../carriers/forms.js'

type SiteItem = ItemOf<'site'>
const language = (tag: unknown): string => String(tag).split('-')[0] ?? ''

export const site: AreaOnSystem<'site', StandInSession> = {
  can: { contact: { never: 'this system writes from the address under mail.from, and from no other' } },
  async read(session) {
    const [form, uploads] = await Promise.all([session.form('settings'), session.rows('uploads')])
    const picture = (number: string | undefined) => {
      const name = uploads.find(({ id }) => String(id) === number)?.data.name
      return name === undefined ? '' : refOf('media', name.replace(/\.[^.]*$/, ''))
    }
    const item: SiteItem = {
      title: form.title,
      description: form.description,
      language: form.language,
      timezone: form.timezone,
      date: form.date,
      time: form.time,
      weekStarts: form.weekStarts as SiteItem['weekStarts'],
      searchEngines: form.searchEngines === '1' ? 'welcome' : 'turned away',
      icon: picture(form.icon),
      logo: picture(form.logo),
    }
    return [{ id: 'site', item }]
  },
  choices: languagesOf,
  translate(differences, { firstRun: atFirstRun, baseline }) {
    if (!atFirstRun)
      return settingSteps(differences, settings, {
        title: as('title'),
        description: as('description'),
        language: (value) => ({ language: language(value) }),
        timezone: as('timezone'),
        date: as('date'),
        time: as('time'),
        weekStarts: as('weekStarts'),
        searchEngines: (value) => ({ searchEngines: box(value === 'welcome') }),
        icon: (value) => ({ icon: idOf(textOf(value)) }),
        logo: (value) => ({ logo: idOf(textOf(value)) }),
      })
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { title = '', description, language: tag, timezone } = difference.wanted
      const fields = {
        title,
        ...(description !== undefined && { description }),
        ...(tag !== undefined && { language: language(tag) }),
        ...(timezone !== undefined && { timezone }),
        examples: box(baseline.samples === 'shipped'),
      }
      return [Step.of(firstRun, fields, { proves: [difference] })]
    })
  },
  ships: () => [
    {
      id: 'site',
      item: {
        ...{ title: '', description: '', language: 'en', timezone: 'UTC', date: 'y-MM-dd', time: 'HH:mm' },
        ...{ weekStarts: 'sunday', icon: '', logo: '', searchEngines: 'welcome' },
      },
    },
  ],
  looks: {
    feed: feedAt('/feed.xml'),
    logo: logoAt('img.logo'),
  },
}
