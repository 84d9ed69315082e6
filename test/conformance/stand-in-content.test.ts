import { after } from 'node:test'
import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { conform } from '../help/conform.js'
import { folder } from '../help/folders.js'
import { providedContentStandIn } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))

conform(standInContentSystem, '1.0', () => providedContentStandIn(root, (one) => open.push(one)))
