import type { AddMistake } from '../baseline/mistake.js'
import { groupsIn, isGroup, listOf, namesIn, type Path, type PlainGroup } from '../baseline/plain-values.js'
import { compareDecimals, isDecimal } from '../money/decimal.js'
import { chosenIn, choiceText, plainOnes, type PlainOne } from './variants.js'

/** What no schema can see of products. @param category notes one that stands nowhere */
export function productMistakes(
  values: PlainGroup,
  add: AddMistake,
  category: (slug: unknown, path: Path) => void,
): void {
  const { store } = values
  const taxes = new Set(namesIn(isGroup(store) ? store.taxes : [], 'name'))
  for (const [product, index] of groupsIn(values.products)) {
    const at: Path = ['products', index]
    for (const [place, slug] of listOf(product.categories).entries()) category(slug, [...at, 'categories', place])
    if (typeof product.tax === 'string' && !taxes.has(product.tax))
      add('unknown-item', [...at, 'tax'], 'no tax of this file has that name', 'a name that stands under store.taxes')
    if (product.description !== undefined && product.text !== undefined)
      add('contradiction', [...at, 'text'], 'description names a text as well', 'one or the other')
    if (product.picture !== undefined && product.pictures !== undefined)
      add('contradiction', [...at, 'picture'], 'pictures names some as well', 'one or the other')
    if (product.variants === undefined) withoutVariants(product, at, add)
    else withVariants(product, at, add)
  }
  const ones = plainOnes(values.products)
  const seen = new Set<string>()
  // what variants share is told once
  for (const one of ones)
    priced(one, (code, path, ...rest) => {
      if (!seen.has(path.join('.'))) add(code, path, ...rest)
      seen.add(path.join('.'))
    })
  ofOneSlug(ones, add)
  checked(values, ones, add)
}

/** A product that is sold as it is, or that is one of several in rows of their own. */
function withoutVariants({ sku, options }: PlainGroup, at: Path, add: AddMistake): void {
  if (sku === undefined) add('missing-key', [...at, 'sku'], 'this key is missing', 'a text', 'sku: SQ-0001')
  for (const [name, value] of Object.entries(isGroup(options) ? options : {}))
    if (Array.isArray(value))
      add(
        'contradiction',
        [...at, 'options', name],
        'there are several to choose from, and no variants',
        'variants with a SKU each',
      )
}

/** What its variants say themselves does not stand above them, and each is a choice of what there is to choose from. */
function withVariants(product: PlainGroup, at: Path, add: AddMistake): void {
  const { options, variants } = product
  const own = isGroup(options) ? options : {}
  for (const key of ['sku', 'stock'])
    if (product[key] !== undefined)
      add('contradiction', [...at, key], 'this is said by each of its variants', `a ${key} in each of variants`)
  if (Object.keys(own).length === 0)
    add(
      'missing-key',
      [...at, 'options'],
      'this key is missing',
      'what there is to choose from',
      'options: { size: [S, M] }',
    )
  for (const [name, value] of Object.entries(own))
    if (typeof value === 'string')
      add('contradiction', [...at, 'options', name], 'there is nothing to choose here', 'a list of several')
  for (const [variant, place] of groupsIn(variants)) {
    const chosen = isGroup(variant.options) ? variant.options : {}
    const here = [...at, 'variants', place, 'options']
    for (const [name, values] of Object.entries(own))
      if (chosen[name] === undefined)
        add('missing-key', here, 'one of the options is not chosen', 'one of each that stand under options')
      else if (Array.isArray(values) && !values.includes(chosen[name]))
        add('unknown-item', [...here, name], 'this is not among those to choose from', 'one of those under options')
    for (const name of Object.keys(chosen))
      if (!(name in own))
        add('unknown-item', [...here, name], 'no option of this product is called that', 'one of those under options')
  }
}

function priced({ product: { price, salePrice }, at }: PlainOne, add: AddMistake): void {
  if (price === undefined) add('missing-key', at('price'), 'this key is missing', 'a text in quotes', 'price: "2.40"')
  if ([price, salePrice].every((sum) => typeof sum === 'string' && isDecimal(sum)))
    if (compareDecimals(String(salePrice), String(price)) >= 0)
      add('contradiction', at('salePrice'), 'this is not less than the price', 'a lower sum')
}

/** What stands at one address is one product, in variants that differ in nothing but what is chosen. */
const SHARED = ['name', 'categories', 'tax', 'description', 'text']
function ofOneSlug(ones: readonly PlainOne[], add: AddMistake): void {
  const first = new Map<unknown, PlainOne>()
  const choices = new Map<unknown, Set<string>>()
  for (const one of ones) {
    const { product, at } = one
    const { slug, options } = product
    const chosen = chosenIn(options)
    const names = Object.keys(chosen ?? {}).sort()
    const before = first.get(slug)
    if (!before) {
      first.set(slug, one)
      choices.set(slug, new Set([choiceText(chosen ?? {})]))
      continue
    }
    const [, index] = before.at('slug')
    const others = chosenIn(before.product.options)
    if (!chosen || !others || names.length === 0 || names.join() !== Object.keys(others).sort().join()) {
      add('two-of-one', at('slug'), `the same slug stands at products[${String(index)}] already`, 'a slug of its own')
      continue
    }
    const taken = choices.get(slug)
    if (taken?.has(choiceText(chosen)))
      add('two-of-one', at('options'), 'another variant is chosen by the same', 'a choice of its own')
    taken?.add(choiceText(chosen))
    const other = SHARED.find((key) => JSON.stringify(product[key]) !== JSON.stringify(before.product[key]))
    if (other !== undefined)
      add('contradiction', at(other), `another variant of this product has another ${other}`, 'the same for all')
  }
}

function checked(values: PlainGroup, ones: readonly PlainOne[], add: AddMistake): void {
  const known = new Set(ones.map(({ product }) => product.sku))
  for (const [{ product }, index] of groupsIn(values.checks))
    if (typeof product === 'string' && !known.has(product))
      add(
        'unknown-item',
        ['checks', index, 'product'],
        'no product of this file has that SKU',
        'a SKU that stands under products',
      )
}
