import { idOf, Step, type AreaOnSystem, type ItemOf, valuesToSend } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items, type ItemFields } from '../carriers/forms.js'
import { shipped } from '../shipped.js'

const room = 'shipping'

export const shipping: AreaOnSystem<'shipping', StandInSession> = {
  keys: ['name', 'price', 'byWeight', 'countries', 'freeFrom'],
  async read(session) {
    const rows = await session.rows(room)
    return rows.map(({ id, cells, data: { price, free: freeFrom, countries = '', weights = '', made, edited } }) => {
      const item: ItemOf<'shipping'> = {
        name: cells[0] ?? '',
        price,
        freeFrom,
        countries: countries.split(',').filter((one) => one !== ''),
        byWeight: weights.split('\n').flatMap((line) => {
          const [from, cost] = line.split(' ')
          return from === undefined || cost === undefined ? [] : [{ from, price: cost }]
        }),
      }
      const ships = id === 1 && item.name === 'Standard'
      return { id, item, copy: item, marks: { place: id === 1, untouched: made === edited, known: ships } }
    })
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return [Step.of(items, { room, id: idOf(ref), remove: true }, { proves })]
      const which = difference.is === 'different' ? { id: idOf(difference.found.ref) } : {}
      return [Step.of(items, { room, ...which, fields: fieldsOf(valuesToSend(difference)) }, { proves, gives: ref })]
    }),
  again: ({ ref, item }) => Step.of(items, { room, fields: fieldsOf(item) }, { proves: [], gives: ref }),
  ships: () => [{ id: 1, item: { name: 'Standard', price: '5.00', countries: [] }, marks: shipped }],
}

const fieldsOf = ({
  name,
  price,
  freeFrom,
  countries,
  byWeight,
}: Partial<ItemOf<'shipping'>>): NonNullable<ItemFields['fields']> => ({
  ...(name !== undefined && { name }),
  ...(price !== undefined && { price }),
  ...(freeFrom !== undefined && { freeFrom }),
  ...(countries && { countries: countries.join(' ') }),
  ...(byWeight && { weights: byWeight.map((one) => `${one.from} ${one.price}`).join('\n') }),
})
