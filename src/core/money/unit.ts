/** What sums are counted in: a currency, and whether the tax is in them. */
export const inMoney = [
  { area: 'store', key: 'currency' },
  { area: 'store', key: 'prices' },
] as const
