import { z } from 'zod'
import { groupsIn, isGroup } from '../baseline/plain-values.js'
import type { Area } from '../area.js'

export const paymentSchema = z.strictObject({
  name: z
    .string()
    .min(1)
    .describe('What visitors read')
    .meta({ examples: ['Cash at the counter'] }),
  by: z
    .enum(['cash', 'transfer', 'card'])
    .describe(
      'cash: when it is handed over; transfer: to a bank account; card: through a provider, whose keys you enter yourself',
    ),
})

/** How orders are paid: a way a key, with the name that visitors read. */
export interface PaymentItem {
  cash?: string
  transfer?: string
  card?: string
}

const words: Record<keyof PaymentItem, string> = {
  cash: 'cash',
  transfer: 'bank transfer',
  card: 'card, through a provider',
}

/** How orders are paid. Ways that the baseline does not name are left alone. */
export const payment: Area<'payment', PaymentItem> = {
  name: 'payment',
  title: 'ways of paying',
  key: 'store.payment',
  list: 'one',
  keys: ['cash', 'transfer', 'card'],
  mistakes({ store }, add) {
    const seen = new Set<unknown>()
    for (const [{ by }, index] of groupsIn(isGroup(store) ? store.payment : [])) {
      if (seen.has(by))
        add(
          'two-of-one',
          ['store', 'payment', index, 'by'],
          'another one here is paid in the same way',
          'each way once',
        )
      seen.add(by)
    }
  },
  ref: () => 'payment',
  plan: ({ store }) =>
    store?.payment ? [{ item: Object.fromEntries(store.payment.map(({ name, by }) => [by, name])) }] : [],
  call: () => 'paying',
  say: (key) => words[key],
}
