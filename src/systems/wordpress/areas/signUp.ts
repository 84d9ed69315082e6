import { has } from '../../../web/forms.js'
import { signUpAt } from '../../../looks/sign-up.js'
import type { SignUpItem } from '../../../core/areas/signUp.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { settingSteps, type Settings } from '../../setting-steps.js'
import { options } from '../carriers/options.js'
import { optionsOf } from '../options.js'
import type { WordPressSession } from '../session.js'

const roles = { reader: 'subscriber', writer: 'author', editor: 'editor' } as const
const roleIn = (value = ''): SignUpItem['role'] =>
  (Object.keys(roles) as (keyof typeof roles)[]).find((role) => roles[role] === value)

const settings: Settings<keyof SignUpItem> = {
  open: (value) => ({ users_can_register: value === true ? '1' : '0' }),
  role: (value) => ({ default_role: roles[value as keyof typeof roles] }),
}

export const signUp: AreaOnSystem<'signUp', WordPressSession> = {
  can: {
    approval: { never: 'new accounts wait for nobody on this system' },
    'question.ask': { never: 'this system asks no question' },
    'question.answers': { never: 'this system asks no question' },
  },
  async read(session) {
    const { values } = await optionsOf(session)
    return [{ id: 'signUp', item: { open: values.users_can_register === '1', role: roleIn(values.default_role) } }]
  },
  translate: (differences) => settingSteps(differences, options, settings),
  ships: () => [{ id: 'signUp', item: { open: false, role: 'reader' } }],
  looks: signUpAt({
    place: 'wp-login.php?action=register',
    isOpen: ({ text }) => has(text, 'form#registerform'),
  }),
}
