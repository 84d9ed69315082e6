import type { ShippingItem } from '../../../core/areas/shipping.js'
import type { AreaOnSystem, Kept } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step, type StepDuties } from '../../step.js'
import { costs, countriesOf, methods } from '../carriers/shipping.js'
import type { EverShopSession } from '../session.js'
import { shopOf, type Shop } from '../shop.js'
import { decimalOf, tagged } from '../wire.js'

type Rate = Shop['coreShippingMethods'][number]['rates'][number]

export const shipping: AreaOnSystem<'shipping', EverShopSession> = {
  // a sum from which on it is free is compared before tax here
  can: ({ baseline: { store } }) =>
    store?.prices === 'before tax'
      ? {}
      : {
          freeFrom: {
            never:
              'this system compares the sum before tax with it, which is another one than visitors see; with “prices: before tax” it can be given',
          },
        },
  keys: ['name', 'price', 'byWeight', 'countries', 'freeFrom'],
  takes: (key, value, { freeFrom }) => {
    if (key === 'byWeight' && freeFrom !== undefined && Array.isArray(value) && value.length > 0)
      return 'this system can’t have a sum from which on it is free beside prices by weight'
    return key === 'name' ? tagged(value) : undefined
  },
  async read(session) {
    const shop = await shopOf(session)
    return shop.coreShippingMethods.map(({ uuid, name, rates }) => {
      const item = { name, ...costIn(rates[0]), countries: rates.flatMap(({ zone }) => countriesOf(shop, zone?.uuid)) }
      return { id: uuid, item, copy: item }
    })
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      const proves = [difference]
      const { ref } = difference
      if (difference.is === 'left over') return [Step.of(methods, { id: idOf(ref), remove: true }, { proves })]
      const found = difference.is === 'different' ? difference.found.item : {}
      return [
        ...(difference.is === 'missing'
          ? [Step.of(methods, { name: difference.wanted.name }, { proves, gives: ref })]
          : []),
        cost(ref, { ...found, ...difference.wanted }, { proves }),
      ]
    }),
  again: ({ ref, item }: Kept<ShippingItem>) => [
    Step.of(methods, { name: item.name }, { proves: [], gives: ref }),
    cost(ref, item, { proves: [] }),
  ],
}

const cost = (ref: string, { price, byWeight, freeFrom, countries = [] }: ShippingItem, duties: StepDuties): Step =>
  Step.of(costs, { id: idOf(ref), countries, price, byWeight, freeFrom }, duties)

/** What a rate costs; all of one way are made alike. */
function costIn(rate: Rate | undefined): Omit<ShippingItem, 'name'> {
  if (!rate) return {}
  if (rate.weightBasedCost?.length)
    return {
      byWeight: rate.weightBasedCost.map((one) => ({
        from: decimalOf(one.minWeight.value),
        price: decimalOf(one.cost.value),
      })),
    }
  const [first, free] = rate.priceBasedCost ?? []
  if (first && free?.cost.value === 0)
    return { price: decimalOf(first.cost.value), freeFrom: decimalOf(free.minPrice.value) }
  return { price: decimalOf(rate.cost?.value ?? 0) }
}
