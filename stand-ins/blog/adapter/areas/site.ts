import { Step, type AreaOnSystem } from 'unpack'
import { firstRun } from '../carriers/first-run.js'
import { settings } from '../carriers/forms.js'
import type { StandInSession } from '../session.js'

export const site: AreaOnSystem<'site', StandInSession> = {
  async read(session) {
    const {
      title = '',
      description = '',
      language = '',
      timezone = '',
      contact = '',
      hidden,
    } = await session.form('settings')
    return [
      {
        id: 'site',
        item: {
          title,
          description,
          language,
          timezone,
          contact,
          searchEngines: hidden === '1' ? 'turned away' : 'welcome',
        },
      },
    ]
  },
  translate(differences, here) {
    return differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { title, description, language, timezone, searchEngines, contact } = difference.wanted
      const hidden = searchEngines === 'turned away' ? '1' : ''
      const proves = [difference]
      if (here.firstRun)
        return [Step.of(firstRun, { title: title ?? '', language: language?.split('-')[0] ?? '', hidden }, { proves })]
      const fields = {
        title,
        description,
        language: language?.split('-')[0],
        timezone,
        contact,
        ...(searchEngines && { hidden }),
      }
      return [
        Step.of(
          settings,
          Object.fromEntries(
            Object.entries(fields).filter((entry): entry is [string, string] => entry[1] !== undefined),
          ),
          { proves },
        ),
      ]
    })
  },
}
