import assert from 'node:assert/strict'
import { test } from 'node:test'
import { areaNames, areas, builtIn } from 'unpack'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { standInForumSystem } from '../../stand-ins/forum/adapter/index.js'
import { standInShopSystem } from '../../stand-ins/shop/adapter/index.js'

for (const system of [...builtIn, standInBlogSystem, standInContentSystem, standInForumSystem, standInShopSystem])
  test(`${system.name}: every list area says which of its keys it reads, and reads none that core does not know`, () => {
    for (const name of areaNames) {
      const here = system.areas[name]
      if (!here || areas[name].list === 'one') continue
      assert.ok(here.keys && here.keys.length > 0, name)
      const known: readonly string[] = areas[name].keys
      for (const key of here.keys as readonly string[]) assert.ok(known.includes(key), `${name}.${key}`)
    }
  })
