import { bodyOf, settingSteps, textOf, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { front } from '../carriers/forms.js'
import { isShippedText } from '../shipped.js'

const never = { never: 'products stand on the front page of this system, below a text of its own' }

export const frontPage: AreaOnSystem<'frontPage', StandInSession> = {
  can: { page: never, posts: never },
  async read(session) {
    const { frontText: body = '' } = await session.form('front')
    const ships = isShippedText(body)
    const marks = { place: ships, untouched: ships, known: ships }
    return [{ id: 'frontPage', item: { page: '', posts: '', body }, marks, copy: { body } }]
  },
  translate: (differences) =>
    settingSteps(differences, front, { body: (body) => ({ frontText: bodyOf(textOf(body)) }) }),
}
