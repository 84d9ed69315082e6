import type { AreaOnSystem } from 'unpack'
import type { StandInSession } from '../session.js'

const shipped = new Set(['smileys'])

export const addOns: AreaOnSystem<'addOns', StandInSession> = {
  async read(session) {
    const rows = await session.rows('add-ons')
    return rows.map(({ id, data }) => ({
      id,
      item: { use: data.name ?? '', active: data.active === 'true' },
      marks: { place: shipped.has(data.name ?? ''), untouched: true, known: true },
    }))
  },
}
