import { builtIn } from 'unpack'
import { conform } from '../help/conform.js'
import { folder } from '../help/folders.js'
import { labShop, providedLabShop } from '../help/lab-shop.js'

const root = folder()
const shop = await labShop('conformance')

const evershop = builtIn.find(({ id }) => id === 'evershop')
if (evershop) conform(evershop, '2.2', () => providedLabShop(shop, root))
