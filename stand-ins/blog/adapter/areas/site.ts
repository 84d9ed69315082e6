import { refOf, textOf, settingSteps, feedAt, Step, type AreaOnSystem, type ItemOf, idOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { languagesOf } from '../../../common/adapter/languages.js'
import { as } from '../../../common/adapter/settings.js'
import { firstRun } from '../carriers/first-run.js'
import { settings } from '../carriers/forms.js'

type SiteItem = ItemOf<'site'>
const hidden = (value: unknown): '1' | '' => (value === 'turned away' ? '1' : '')
const language = (tag: unknown): string => String(tag).split('-')[0] ?? ''

export const site: AreaOnSystem<'site', StandInSession> = {
  can: { logo: { never: 'this blog shows no logo' } },
  async read(session) {
    const [form, uploads] = await Promise.all([session.form('settings'), session.rows('uploads')])
    const icon = uploads.find(({ id }) => String(id) === form.icon)?.data.name?.replace(/\.[^.]*$/, '')
    const item: SiteItem = {
      title: form.title,
      description: form.description,
      language: form.language,
      timezone: form.timezone,
      date: form.date,
      time: form.time,
      weekStarts: form.weekStarts as SiteItem['weekStarts'],
      contact: form.contact,
      icon: icon === undefined ? '' : refOf('media', icon),
      searchEngines: form.hidden === '1' ? 'turned away' : 'welcome',
    }
    return [{ id: 'site', item }]
  },
  choices: languagesOf,
  translate(differences, here) {
    if (!here.firstRun)
      return settingSteps(differences, settings, {
        title: as('title'),
        description: as('description'),
        language: (value) => ({ language: language(value) }),
        timezone: as('timezone'),
        date: as('date'),
        time: as('time'),
        weekStarts: as('weekStarts'),
        contact: as('contact'),
        icon: (value) => ({ icon: idOf(textOf(value)) }),
        searchEngines: (value) => ({ hidden: hidden(value) }),
      })
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { title = '', language: tag = '', searchEngines } = difference.wanted
      const fields = { title, language: language(tag), hidden: hidden(searchEngines) }
      return [Step.of(firstRun, fields, { proves: [difference] })]
    })
  },
  ships: () => [
    {
      id: 'site',
      item: {
        title: '',
        description: '',
        language: 'en',
        timezone: 'UTC',
        date: 'y-MM-dd',
        time: 'HH:mm',
        weekStarts: 'sunday',
        icon: '',
        searchEngines: 'welcome',
        contact: '',
      },
    },
  ],
  looks: { feed: feedAt('/feed.xml') },
}
