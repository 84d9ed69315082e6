import { load } from 'cheerio'
import { bad, good, settingSteps, textOf, type AreaOnSystem, idOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { publishing } from '../carriers/forms.js'
import { pageRefs } from '../page-refs.js'

export const privacyPage: AreaOnSystem<'privacyPage', StandInSession> = {
  async read(session) {
    const [form, pages] = await Promise.all([session.form('publishing'), session.rows('pages')])
    return [{ id: 'privacyPage', item: { page: pageRefs(pages).get(form.privacyPage ?? '') ?? '' } }]
  },
  translate: (differences) =>
    settingSteps(differences, publishing, {
      page: (ref) => ({ privacyPage: ref === '' ? '0' : idOf(textOf(ref)) }),
    }),
  ships: () => [{ id: 'privacyPage', item: { page: '' } }],
  looks: {
    'privacy notice': async (_expected, { place, visit }) => {
      const answer = await visit('/')
      const href = load(answer.text)('footer a[rel=privacy]').attr('href')
      const leads = href !== undefined && new URL(href, answer.url).href === place
      return leads ? good(answer.url) : bad(`${answer.url} leads to ${href ?? 'no such page'}`)
    },
  },
}
