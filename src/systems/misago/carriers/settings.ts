import type { Carrier } from '../../step.js'
import type { SettingFields } from '../../setting-steps.js'
import type { Changes, MisagoSession } from '../session.js'

const merged = (loads: readonly Readonly<Record<string, unknown>>[]): Changes => Object.assign({}, ...loads) as Changes

/** A form of settings, sent whole; several areas go by one. */
const settingsForm = (name: string, room: string, besides: (session: MisagoSession) => Changes = () => ({})) => {
  const place = `settings/${room}/`
  const carrier: Carrier<SettingFields, MisagoSession> = {
    name,
    side: 'dashboard',
    atOnce: Infinity,
    async carry(loads, session) {
      const { refused } = await session.send(place, { ...besides(session), ...merged(loads) })
      session.shelf.forget('page')
      return loads.map(() => (refused === undefined ? {} : { refused }))
    },
  }
  return carrier
}

// without its own address, which is empty at first, this form is not taken
export const general = settingsForm('general settings', 'general', ({ visitor }) => ({ forum_address: visitor.home }))
export const users = settingsForm('settings of accounts', 'users')
export const threads = settingsForm('settings of topics', 'threads')
export const captcha = settingsForm('the question at sign-up', 'captcha')

export interface RoleRights {
  role: number
  fields: Readonly<Record<string, string>>
}

/** What a role may do all over the forum: one form a role. */
export const roleRights: Carrier<RoleRights, MisagoSession> = {
  name: 'rights of members',
  side: 'dashboard',
  atOnce: Infinity,
  async carry(loads, session) {
    const roles = [...new Set(loads.map(({ role }) => role))]
    const outcomes = new Map(
      await Promise.all(
        roles.map(async (role) => {
          const changes = merged(loads.filter((load) => load.role === role).map(({ fields }) => fields))
          const { refused } = await session.send(`permissions/edit/${role}/`, changes)
          return [role, refused] as const
        }),
      ),
    )
    session.shelf.forget('page')
    return loads.map(({ role }) => {
      const refused = outcomes.get(role)
      return refused === undefined ? {} : { refused }
    })
  },
}
