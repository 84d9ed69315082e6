import type { AreaOnSystem } from 'unpack'
import type { StandInSession } from '../session.js'

export const menus: AreaOnSystem<'menus', StandInSession> = {
  read: () => Promise.resolve([]),
}
