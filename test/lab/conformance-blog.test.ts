import { builtIn } from 'unpack'
import { conform } from '../help/conform.js'
import { folder } from '../help/folders.js'
import { labBlog, wordpressVersion } from '../help/lab.js'
import { alike, ownFolders } from '../help/sites.js'

const root = folder()
const blog = await labBlog('conformance')
let used = false

const wordpress = builtIn.find(({ id }) => id === 'wordpress')
if (wordpress)
  conform(wordpress, wordpressVersion, async () => {
    if (used) await blog.reset()
    used = true
    return { address: blog.address, ...(await ownFolders(root)), writes: () => blog.writes(), ...alike(blog.address) }
  })
