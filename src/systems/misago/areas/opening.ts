import type { AreaOnSystem } from '../../area-on-system.js'
import type { MisagoSession } from '../session.js'

const never = { never: 'this system can’t be closed to visitors for a while; access can close its forums' }

export const opening: AreaOnSystem<'opening', MisagoSession> = {
  can: { visitors: never, notice: never },
  read: () => Promise.resolve([]),
}
