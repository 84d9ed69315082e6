import { after, test } from 'node:test'
import { folder } from '../help/folders.js'
import { long } from '../help/long.js'
import { plansOfOne, standInGround } from './grounds.js'
import { playAll } from './sequences.js'

const root = folder()
for (const kind of Object.keys(plansOfOne) as (keyof typeof plansOfOne)[])
  test(`people and runs in turn on a stand-in ${kind}`, long, async (t) => {
    const ground = await standInGround(kind, root)
    after(() => ground.end())
    await playAll(t, ground)
  })
