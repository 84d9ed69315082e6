import { after } from 'node:test'
import { standInForumSystem } from '../../stand-ins/forum/adapter/index.js'
import { conform } from '../help/conform.js'
import { folder } from '../help/folders.js'
import { providedForum } from '../help/sites.js'

const root = folder()
const open: { close(): Promise<void> }[] = []
after(() => Promise.all(open.map((one) => one.close())))

conform(standInForumSystem, '1.0', () => providedForum(root, (one) => open.push(one)))
