import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { readBaseline, type Baseline, type Files } from 'unpack'
import { filesBeside } from '../../src/disk/baseline-file.js'
import { root } from './root.js'

const folder = join(root, 'demo/saltmarsh-seed-library')
const text = readFileSync(join(folder, 'baseline.yaml'), 'utf8')

/** The seed library's baseline for another address, changed as a test wants. @param rows changes its table of products */
export function seedBaseline(
  address: string,
  change: (text: string) => string = (same) => same,
  rows: (table: string) => string = (same) => same,
): Baseline {
  const changed = change(text.replace('http://127.0.0.1:4104/', address))
  const files: Files = filesBeside(changed, folder)
  const table = new TextDecoder().decode(files['files/products.csv'] as Uint8Array)
  return readBaseline(changed, { ...files, 'files/products.csv': rows(table) }).baseline
}

/** So many products in a table of their own, each with a picture of its own where asked. */
export function manyProducts(address: string, count: number, pictured?: Uint8Array): Baseline {
  const rows = Array.from(
    { length: count },
    (_, index) =>
      `Seed ${index},seed-${index},S-${index},${1 + (index % 9)}.${String(index % 100).padStart(2, '0')},${index % 2 ? 'beans' : 'flowers'},5,${pictured ? `p${index}.png` : ''}`,
  )
  const table = `name,slug,sku,price,categories,stock,picture\n${rows.join('\n')}\n`
  // a picture that differs in its last byte is another one
  const pictures = Object.fromEntries(
    rows.map((_, index) => [`p${index}.png`, Uint8Array.from([...(pictured ?? []), index >> 8, index & 255])]),
  )
  const plan = {
    unpack: 1,
    site: { address, title: 'Saltmarsh Seed Library' },
    owner: { username: 'marlow', email: 'ines@seeds.example', password: 'made' },
    shipped: 'remove',
    store: {
      currency: 'GBP',
      shipsTo: ['GB'],
      shipping: [{ name: 'Van', price: '3.50' }],
      payment: [{ name: 'Cash', by: 'cash' }],
    },
    categories: [
      { name: 'Beans', slug: 'beans' },
      { name: 'Flowers', slug: 'flowers' },
    ],
    products: { from: 'p.csv' },
  }
  const files = { 'p.csv': table, ...(pictured && pictures) }
  return readBaseline(JSON.stringify(plan), files).baseline
}
