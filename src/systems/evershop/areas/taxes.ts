import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { Step } from '../../step.js'
import { taxClasses, taxRates } from '../carriers/taxes.js'
import type { EverShopSession } from '../session.js'
import { shopOf } from '../shop.js'
import { shipped } from '../shipped.js'
import { decimalOf, tagged } from '../wire.js'
import { digitsNeeded, sameDecimal } from '../../../core/money/decimal.js'
import type { TaxRate } from '../../../core/areas/taxes.js'

export const taxes: AreaOnSystem<'taxes', EverShopSession> = {
  keys: ['name', 'rates'],
  takes: (key, value) =>
    key === 'name'
      ? tagged(value)
      : (value as unknown as readonly TaxRate[]).some(({ rate }) => digitsNeeded(rate) > 2)
        ? 'rates have two digits behind the point at the most on this system'
        : undefined,
  async read(session) {
    const { taxClasses: classes } = await shopOf(session)
    return classes.items.map(({ taxClassId, name, rates }) => ({
      id: taxClassId,
      item: {
        name,
        rates: (rates ?? [])
          .filter(({ province, postcode }) => province === '*' && postcode === '*')
          .map(({ country, rate }) => ({ country, rate: decimalOf(rate) })),
      },
      // there is no way to remove one
      marks: taxClassId === 1 ? { ...shipped, needed: true } : undefined,
    }))
  },
  translate: (differences) =>
    differences.flatMap((difference): Step[] => {
      if (difference.is === 'left over') return []
      const { ref, wanted } = difference
      const proves = [difference]
      const standing = difference.is === 'different' ? (difference.found.item.rates ?? []) : []
      const changed = (wanted.rates ?? []).filter(
        ({ country, rate }) => !standing.some((one) => one.country === country && sameDecimal(one.rate, rate)),
      )
      const fresh = difference.is === 'missing'
      return [
        ...(fresh ? [Step.of(taxClasses, { name: wanted.name }, { proves, gives: ref })] : []),
        ...changed.map((one) => Step.of(taxRates, { ...one, id: idOf(ref), name: wanted.name }, { proves })),
      ]
    }),
}
