import { after } from 'node:test'
import { standInShopSystem } from '../../stand-ins/shop/adapter/index.js'
import { conform } from '../help/conform.js'
import { folder } from '../help/folders.js'
import { providedShop } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))

conform(standInShopSystem, '1.0', () => providedShop(root, (one) => open.push(one)))
