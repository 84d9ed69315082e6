import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { LoginsFile, Secret } from 'unpack'
import { formsOf } from '../../src/logins/guard.js'
import { standInBlog } from '../../stand-ins/blog/server/index.js'
import { standInForum } from '../../stand-ins/forum/server/index.js'
import { demoFolder } from '../help/demo.js'
import { root as repository } from '../help/root.js'
import { PASSPHRASE } from '../help/sites.js'
import { count, emptyTally, type Tally } from './tally.js'

/** A password with everything in it that some writing writes otherwise. */
export const HARD = `Tide"pool'Ünder%41&<sand>\\7é`
const DOOR = 'Guard "of" the dö%r & <gate>'
const main = join(repository, 'dist/src/cli/main.js')

/** A site that quotes the password whenever it refuses something, in each way in which it may be written. */
function quoting(forms: readonly string[]): (url: string, html: string) => string {
  let next = 0
  return (url, html) => {
    const form = forms[next++ % forms.length] ?? ''
    const says = `<p id="trouble">The password ${form} was found in a leak.</p>`
    if (/id="(?:trouble|expired)"/.test(html))
      return html.replace(/<main id="[^"]*"><p>/, `<main id="trouble"><p>The password ${form} was found in a leak. `)
    // and in the middle of what is read
    return /^\/(?:post|visit|home)/.test(url) ? html.replace('</main>', `${says}</main>`) : html
  }
}

interface Ran {
  out: string
  commandLines: string[]
}

function run(args: readonly string[], cwd: string, env: { [name: string]: string }): Promise<Ran> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [main, ...args], { cwd, env: { ...process.env, NODE_OPTIONS: '', ...env } })
    let out = ''
    const commandLines: string[] = []
    const look = setInterval(() => {
      for (const id of readdirSync('/proc').filter((name) => /^\d+$/.test(name)))
        try {
          commandLines.push(readFileSync(`/proc/${id}/cmdline`, 'utf8'))
        } catch {
          // it has ended
        }
    }, 100)
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (text: string) => (out += text))
    child.on('close', () => {
      clearInterval(look)
      resolve({ out, commandLines })
    })
  })
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    return statSync(path).isDirectory() ? filesIn(path) : [path]
  })

/** Whole runs with a secret that is hard to hide, on a site that quotes it: it stands in nothing that is printed or written. */
export async function secrets(root: string): Promise<Tally> {
  const tally = emptyTally()
  for (const kind of ['blog', 'forum'] as const) {
    const folder = join(root, randomUUID())
    mkdirSync(folder, { recursive: true })
    const owner = { username: kind === 'blog' ? 'marlow' : 'boss', password: HARD }
    const blog =
      kind === 'blog'
        ? standInBlog({ standing: 'fresh', owner, door: { username: 'gate', password: DOOR } })
        : undefined
    const forum = kind === 'forum' ? standInForum({ owner }) : undefined
    const site = blog ?? forum
    if (!site) continue
    const forms = formsOf(HARD)
    site.tamper = quoting(forms)
    // everything that is written is refused, again and again
    site.app.addHook('preHandler', async (request, reply) =>
      request.method === 'POST' && request.url.startsWith('/office') && Math.random() < 0.5
        ? reply
            .status(422)
            .type('text/html')
            .send(`<html><body><main id="trouble"><p>Not with ${HARD}</p></main></body></html>`)
        : undefined,
    )
    const address = await site.listen(0)
    const file = join(folder, 'logins.json')
    const logins = await LoginsFile.open(file, new Secret(PASSPHRASE), 4)
    await logins.put(address, owner.username, new Secret(HARD))
    if (blog) await logins.put(address, 'gate', new Secret(DOOR), { door: true })
    const plan =
      kind === 'blog' ? join(demoFolder, 'baseline.yaml') : join(repository, 'demo/tidepool-watchers/baseline.yaml')
    const env = {
      UNPACK_PASSPHRASE: PASSPHRASE,
      UNPACK_LOGINS: file,
      UNPACK_STATE: join(folder, 'state'),
      UNPACK_TRACE: '',
    }
    const at = ['--at', address]
    for (const args of [
      ['compare', plan, ...at],
      ['compare', plan, ...at, '--json'],
      ['settle', plan, ...at, '--yes', '--record', join(folder, 'record')],
      ['settle', plan, ...at, '--yes', '--json', '--record', join(folder, 'record')],
      ['confirm', plan, ...at, '--json'],
      ['confirm', plan, ...at, '--try'],
      ['survey', address],
      ['logins', 'list'],
    ]) {
      tally.runs += 1
      const { out, commandLines } = await run(args, folder, env)
      const bare = [...forms, ...formsOf(DOOR)]
      if (bare.some((form) => out.includes(form))) count(tally, 'leaked', `${kind}: printed by ${args[0]}`)
      if (commandLines.some((line) => bare.some((form) => line.includes(form))))
        count(tally, 'leaked', `${kind}: in the process list, ${args[0]}`)
    }
    for (const path of filesIn(folder)) {
      const text = readFileSync(path, 'utf8')
      if ([...forms, ...formsOf(DOOR), ...formsOf(PASSPHRASE)].some((form) => text.includes(form)))
        count(tally, 'leaked', `${kind}: written to ${path.slice(folder.length)}`)
    }
    await site.close()
  }
  return tally
}
