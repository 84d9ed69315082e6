import { blogSite } from './blog.js'
import { contentSite } from './content.js'
import { forumSite } from './forum.js'
import { shopSite } from './shop.js'
import { live } from './run.js'

/** Lives of one kind, for whoever looks for a fault: `one.js blog SEED COUNT`. */
const kinds = { blog: blogSite, forum: forumSite, content: contentSite, shop: shopSite }
const [kind = 'blog', seed = '1', most = '20', shrinks = ''] = process.argv.slice(2)
const make = kinds[kind as keyof typeof kinds]
const began = performance.now()
const { lives, wrong } = await live(make, Number(seed), Number(most), { shrinks: shrinks !== '' })
console.log(`${lives} lives, ${Math.round(performance.now() - began)} ms`)
if (wrong) console.log(`wrong after ${wrong.afterLives}; path ${wrong.path}\n${wrong.steps}\n${wrong.story}`)
process.exit()
