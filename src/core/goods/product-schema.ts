import { z } from 'zod'
import { fileName, money, productCode, slug } from '../baseline/values.js'

const optionName = z
  .string()
  .regex(/^[^:;\n]{1,40}$/, { error: 'up to 40 signs, without a colon or a semicolon' })
  .meta({ examples: ['size'] })
const optionValue = z
  .string()
  .regex(/^[^:;\n]{1,60}$/, { error: 'up to 60 signs, without a colon or a semicolon' })
  .meta({ examples: ['S'] })
const options = z
  .record(optionName, z.union([optionValue, z.array(optionValue).min(1)]))
  .meta({ examples: [{ size: ['S', 'M'] }] })
const variantSchema = z.strictObject({
  sku: productCode.describe('What its stock is counted by'),
  options: z
    .record(optionName, optionValue)
    .describe('Which one it is')
    .meta({ examples: [{ size: 'S' }] }),
  price: money.optional().describe('What it costs, where that is not the price of the product'),
  salePrice: money.optional().describe('What it costs for now'),
  stock: z
    .int()
    .min(0)
    .optional()
    .describe('How many there are when it is made')
    .meta({ examples: [12] }),
  weight: z
    .number()
    .min(0)
    .optional()
    .describe('What it weighs, where that differs')
    .meta({ examples: [0.25] }),
  picture: fileName
    .optional()
    .describe('A picture of its own')
    .meta({ examples: ['files/apron-s.png'] }),
  state: z.enum(['shown', 'hidden']).optional().describe('Whether visitors find it'),
})

export const productSchema = z.strictObject({
  name: z
    .string()
    .min(1)
    .describe('What it is called')
    .meta({ examples: ['Runner bean “Harbour Light”'] }),
  slug: slug.describe('Its part of the address'),
  sku: productCode.optional().describe('What the stock is counted by (SKU); a product is known by it'),
  categories: z
    .array(slug)
    .min(1)
    .describe('Exactly these categories, by their slugs')
    .meta({ examples: [['beans']] }),
  options: options
    .optional()
    .describe('What it is to be had in, with a list for each; of one variant in a row of its own, which it is'),
  variants: z.array(variantSchema).min(1).optional().describe('Its variants, each with a SKU of its own'),
  price: money.optional().describe('What it costs, in the currency of the store, as text'),
  salePrice: money.optional().describe('What it costs for now, in place of the price'),
  tax: z
    .string()
    .min(1)
    .optional()
    .describe('A tax of the store, by its name; left out, the first')
    .meta({ examples: ['Reduced'] }),
  stock: z
    .int()
    .min(0)
    .optional()
    .describe('How many there are when it is made; later the shop counts for itself')
    .meta({ examples: [120] }),
  weight: z
    .number()
    .min(0)
    .optional()
    .describe('What it weighs, in the unit of the store')
    .meta({ examples: [0.03] }),
  picture: fileName
    .optional()
    .describe('A picture beside the baseline')
    .meta({ examples: ['files/harbour-light.png'] }),
  pictures: z
    .array(fileName)
    .optional()
    .describe('Several pictures, the first in front')
    .meta({ examples: [['files/harbour-light.png']] }),
  description: fileName
    .optional()
    .describe('A file in CommonMark beside the baseline')
    .meta({ examples: ['products/harbour-light.md'] }),
  text: z
    .string()
    .optional()
    .describe('The same text, written here')
    .meta({ examples: ['Sow after the last frost.'] }),
  state: z.enum(['shown', 'hidden']).optional().describe('Whether visitors find it; left out: they do'),
})
/** A product as the file, or a row of its table, has it. */
export type WantedProduct = z.output<typeof productSchema>
