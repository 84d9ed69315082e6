import { settingSteps, textOf, feedAt, type AreaOnSystem } from 'unpack'
import { languagesOf } from '../../../common/adapter/languages.js'
import { as, box } from '../../../common/adapter/settings.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { settings } from '../carriers/forms.js'

const plain = { never: 'this forum writes dates its own way' }

export const site: AreaOnSystem<'site', StandInSession> = {
  can: {
    date: plain,
    time: plain,
    weekStarts: { never: 'this forum has no calendar' },
    contact: { never: 'it writes from one address only: mail.from' },
    icon: { never: 'this forum has no icon of its own' },
    logo: { never: 'this forum shows no logo' },
  },
  async read(session) {
    const { title, description, language, timezone, searchEngines } = await session.form('settings')
    const welcome = searchEngines === '1' ? 'welcome' : 'turned away'
    return [{ id: 'site', item: { title, description, language, timezone, searchEngines: welcome } }]
  },
  choices: languagesOf,
  translate: (differences) =>
    settingSteps(differences, settings, {
      title: as('title'),
      description: as('description'),
      language: (value) => ({ language: textOf(value).split('-')[0] ?? '' }),
      timezone: as('timezone'),
      searchEngines: (value) => ({ searchEngines: box(value === 'welcome') }),
    }),
  ships: () => [
    { id: 'site', item: { title: 'Forum', description: 'Just another forum', language: 'en', timezone: 'UTC' } },
  ],
  looks: { feed: feedAt('/feed.xml') },
}
