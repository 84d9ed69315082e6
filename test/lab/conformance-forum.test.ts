import { builtIn } from 'unpack'
import { conform } from '../help/conform.js'
import { folder } from '../help/folders.js'
import { hostsLogin, labForum } from '../help/lab-forum.js'
import { zipOf } from '../help/zip.js'
import { alike, ownFolders } from '../help/sites.js'

const root = folder()
const forum = await labForum('conformance')
let used = false
const theme = {
  use: 'low-water',
  bytes: await zipOf({
    'low-water/manifest.json': JSON.stringify({
      name: 'Low water',
      css: [{ name: 'low-water.css', path: 'low-water.css' }],
      media: [],
    }),
    'low-water/css/low-water.css': 'body { background: #f6f8f7; }\n',
    'low-water/media/.keep': '',
  }),
}

const misago = builtIn.find(({ id }) => id === 'misago')
if (misago)
  conform(misago, '0.39', async () => {
    if (used) await forum.reset()
    used = true
    const { address } = forum
    const folders = await ownFolders(root)
    await hostsLogin(folders.logins, address)
    return { address, ...folders, writes: () => forum.writes(), ...alike(address), archives: { theme, addOn: theme } }
  })
