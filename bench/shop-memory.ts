/**
 * The memory that settling takes, from 50 to 5,000 products in a table, on the stand-in shop: the peak of a process of its own that
 * holds nothing but Unpack, beside the least that it takes with 50; as it comes, and where there is little to have.
 */
import assert from 'node:assert/strict'
import { execFile } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { promisify } from 'node:util'
import { settle, type System } from 'unpack'
import { standInShopSystem } from '../stand-ins/shop/adapter/index.js'
import { standInShop } from '../stand-ins/shop/server/index.js'
import { manyProducts } from '../test/help/seeds.js'
import { ownFolders } from '../test/help/sites.js'

const MOST = 1.5
/** MiB of heap: Node takes up to four times what lives before it looks for what doesn't, while nothing keeps it from that. */
const HEAP = 128
const say = (line: string) => process.stdout.write(`${line}\n`)

const [address, count] = process.argv.slice(2)
if (address !== undefined) {
  const options = {
    systems: [standInShopSystem as System],
    ...(await ownFolders(mkdtempSync(join(tmpdir(), 'unpack-bench-')))),
  }
  const done = await settle(manyProducts(address, Number(count)), { ...options, confirm: false })
  assert.deepEqual(done.failed, [])
  say(String(process.resourceUsage().maxRSS / 1024))
} else {
  // with plenty of memory, Node lets garbage lie: what is needed shows where there is little
  for (const heap of [undefined, HEAP]) {
    const peaks: number[] = []
    for (const products of [50, 500, 5000]) {
      const shop = standInShop()
      const at = await shop.listen(0)
      const began = performance.now()
      const flags = heap === undefined ? [] : [`--max-old-space-size=${heap}`]
      const own = [...flags, fileURLToPath(import.meta.url), at, String(products)]
      const { stdout } = await promisify(execFile)(process.execPath, own)
      const peak = Number(stdout.trim().split('\n').at(-1))
      peaks.push(peak)
      const where = heap === undefined ? '' : ` in a heap of ${heap} MiB`
      say(
        `${products} products${where}: peak ${peak.toFixed(0)} MiB, ${((performance.now() - began) / 1000).toFixed(1)} s`,
      )
      await shop.close()
    }
    const ratio = (peaks.at(-1) ?? NaN) / (peaks[0] ?? NaN)
    say(`5,000 beside 50: ${ratio.toFixed(2)}${heap === undefined ? '' : ` (mark ${MOST})`}`)
    if (heap !== undefined && !(ratio <= MOST)) process.exitCode = 1
  }
}
