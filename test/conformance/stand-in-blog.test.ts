import { after } from 'node:test'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { conform } from '../help/conform.js'
import { folder } from '../help/folders.js'
import { providedStandIn } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((standIn) => standIn.close())))

conform(standInBlogSystem, '1.0', () => providedStandIn(root, (standIn) => open.push(standIn)))
