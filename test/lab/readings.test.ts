import assert from 'node:assert/strict'
import { test } from 'node:test'
import { folder } from '../help/folders.js'
import { labParts } from '../trust/lab-parts.js'
import { isClean } from '../trust/tally.js'

/** How many wrong answers by chance each real system gets; `npm run trust` tries them all. */
const SAMPLE = 30
const root = folder()

for (const { name, run } of labParts.filter(({ name }) => name.startsWith('readings')))
  test(`${name}: a wrong answer in place of a reading leads to no write`, async () => {
    // another sample every day
    const seed = Math.floor(Date.now() / 86_400_000)
    const tally = await run({ folder: root, seed, most: SAMPLE })
    assert.ok(isClean(tally), `seed ${seed}: ${tally.troubles.join('\n')}`)
    assert.ok(tally.runs > SAMPLE)
  })
