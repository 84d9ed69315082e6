import { idOf, Step, type AreaOnSystem, type TaxRate } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items } from '../carriers/forms.js'

const room = 'taxes'
const ratesIn = (text = ''): TaxRate[] =>
  text.split('\n').flatMap((line) => {
    const [country, rate] = line.split(' ')
    return country === undefined || rate === undefined ? [] : [{ country, rate }]
  })

export const taxes: AreaOnSystem<'taxes', StandInSession> = {
  keys: ['name', 'rates'],
  async read(session) {
    const rows = await session.rows(room)
    return rows.map(({ id, cells, data }) => {
      const item = { name: cells[0] ?? '', rates: ratesIn(data.rates) }
      return { id, item, copy: item }
    })
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return [Step.of(items, { room, id: idOf(ref), remove: true }, { proves })]
      const { name, rates = [] } = difference.wanted
      const standing = difference.is === 'different' ? (difference.found.item.rates ?? []) : []
      // rates that nobody planned stay
      const all = [...standing.filter((one) => !rates.some(({ country }) => country === one.country)), ...rates]
      const which = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      const fields = { name, rates: all.map(({ country, rate }) => `${country} ${rate}`).join('\n') }
      return [Step.of(items, { room, ...which, fields }, { proves, gives: ref })]
    }),
}
