import { groupsIn, isGroup, type Path, type PlainGroup } from '../baseline/plain-values.js'
import type { WantedProduct } from './product-schema.js'

/** What a variant is, of what its product is to be had in: `{ size: 'S' }`. */
export type ChosenOptions = Readonly<Record<string, string>>

/** Something with a SKU of its own: a product, or a variant of one with all that they share. */
export type OneProduct = Omit<WantedProduct, 'sku' | 'price' | 'options' | 'variants'> & {
  sku: string
  price?: string
  options?: ChosenOptions
}

/** What is chosen in plain values, where each option has one value. */
export const chosenIn = (options: unknown): ChosenOptions | undefined =>
  isGroup(options) && Object.values(options).every((value) => typeof value === 'string')
    ? (options as ChosenOptions)
    : undefined

/**
 * A choice as a text, the same in whatever order its options stand.
 * @example choiceText({ size: 'S', colour: 'green' }) // 'colour: green; size: S'
 */
export const choiceText = (chosen: ChosenOptions): string =>
  Object.entries(chosen)
    .map(([name, value]) => `${name}: ${value}`)
    .sort()
    .join('; ')

/** Whether two are the same choice; small and capital letters in the names of options are not told apart. */
export const isSameChoice = (one: ChosenOptions, other: ChosenOptions): boolean =>
  choiceText(lowered(one)) === choiceText(lowered(other))
const lowered = (chosen: ChosenOptions): ChosenOptions =>
  Object.fromEntries(Object.entries(chosen).map(([name, value]) => [name.toLowerCase(), value]))

/** Everything with a SKU of its own. A picture of a variant's own takes the place of those of its product. */
export const onesOf = (product: WantedProduct): OneProduct[] => {
  const { variants, options, sku = '', ...shared } = product
  if (!variants) return [{ ...shared, sku, ...(options && { options: chosenIn(options) }) }]
  return variants.map(({ picture, options: chosen, ...own }) => ({
    ...shared,
    ...own,
    // in the order of the product's own, however each variant says them
    options: Object.fromEntries(Object.keys(options ?? {}).map((name) => [name, chosen[name] ?? ''])),
    ...(picture !== undefined && { picture, pictures: undefined }),
  }))
}

/** The same in plain values, with the way to where each key stands. */
export interface PlainOne {
  product: PlainGroup
  at(key: string): Path
}

/** All that has a SKU of its own, in a file that may be wrong anywhere. */
export const plainOnes = (products: unknown): PlainOne[] =>
  groupsIn(products).flatMap(([product, index]): PlainOne[] => {
    const here: Path = ['products', index]
    const { variants, ...shared } = product
    if (!Array.isArray(variants)) return [{ product, at: (key) => [...here, key] }]
    return groupsIn(variants).map(([own, place]) => ({
      product: { ...shared, ...own },
      at: (key) => (key in own || !(key in shared) ? [...here, 'variants', place, key] : [...here, key]),
    }))
  })
