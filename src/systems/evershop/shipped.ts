import type { Marks } from '../../core/shipped.js'
import { strippedText } from '../../core/text/plain.js'

/** The categories that a fresh shop comes with: number, address and name; its text is its name. */
export const shippedCategories = [
  [1, 'kids', 'Kids'],
  [2, 'women', 'Women'],
  [3, 'men', 'Men'],
] as const

export const shipped: Marks = { place: true, untouched: true, known: true }

/** Marks of a category: nothing tells when it was changed, but that its text is its name only as it came. */
export function categoryMarks(id: number, slug: string, name: string, description: string, isOn: boolean): Marks {
  const own = shippedCategories.find(([number]) => number === id)
  const isSame = own?.[1] === slug && own[2] === name
  const text = strippedText(description)
  return { place: own !== undefined, untouched: isSame && text === own[2] && isOn, known: isSame && text === own[2] }
}

/** What a shop is called as long as nobody says otherwise. */
export const UNNAMED = 'An Amazing EverShop Store'
