import { textOf, settingSteps, type AreaOnSystem, type IdOf, idOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { pageRefs } from '../page-refs.js'
import { publishing } from '../carriers/forms.js'

const numberOf = (ref: string): string | IdOf => (ref === '' ? '0' : idOf(ref))

export const frontPage: AreaOnSystem<'frontPage', StandInSession> = {
  async read(session) {
    const [{ frontPage: first, postsPage }, pages] = await Promise.all([
      session.form('publishing'),
      session.rows('pages'),
    ])
    const refs = pageRefs(pages)
    const refAt = (number = '') => refs.get(number) ?? ''
    return [{ id: 'frontPage', item: { page: refAt(first), posts: refAt(postsPage) } }]
  },
  translate: (differences) =>
    settingSteps(differences, publishing, {
      page: (ref) => ({ frontPage: numberOf(textOf(ref)) }),
      posts: (ref) => ({ postsPage: numberOf(textOf(ref)) }),
    }),
  ships: () => [{ id: 'frontPage', item: { page: '', posts: '' } }],
}
