import { kinds } from './kinds.js'
import type { Site } from './site.js'
import { live } from './run.js'

/** Lives of one kind from a seed on, in a process of its own: prints what came of them as a line of JSON. */
const [kind = '', seed = '1', most = '20', until = 'Infinity'] = process.argv.slice(2)
const make = (kinds as Record<string, () => Site>)[kind]
if (!make) throw new Error(`no kind is called ${kind}: ${Object.keys(kinds).join(', ')}`)
process.stdout.write(`${JSON.stringify(await live(make, Number(seed), Number(most), Number(until)))}\n`)
process.exit()
