/**
 * Makes docs/screenshots from the demo data: `npm run pictures`. Wants Debian's chromium, xvfb, xterm, imagemagick,
 * fonts-dejavu-core. A terminal is a real one in a window of its own; pages are drawn by a real browser.
 */
import { execFile, execFileSync, spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { promisify } from 'node:util'
import { setTimeout as wait } from 'node:timers/promises'
import { createServer } from 'vite'
import { LoginsFile, Secret } from 'unpack'
import { standInContent } from '../stand-ins/content/server/index.js'
import { standInShop } from '../stand-ins/shop/server/index.js'
import { standInForum } from '../stand-ins/forum/server/index.js'
import { standInBlog } from '../stand-ins/blog/server/index.js'
import { launchBrowser } from '../test/help/browser.js'
import { root } from '../test/help/root.js'

const out = join(root, 'docs/screenshots')
const folder = mkdtempSync(join(tmpdir(), 'unpack-pictures-'))
const PASSPHRASE = 'low water at nine'
const DISPLAY = ':77'

/** A command in a terminal window, drawn when it has ended. */
async function terminal(name: string, command: string, height = 800): Promise<void> {
  const done = join(folder, `${name}.done`)
  const screen = spawn('Xvfb', [DISPLAY, '-screen', '0', `1280x${height}x24`], { stdio: 'ignore' })
  await wait(600)
  const script = join(folder, `${name}.sh`)
  const shown = command.replace(/ --logins \S+/, '')
  writeFileSync(
    script,
    `cd ${folder}; unpack() { ${process.execPath} ${join(root, 'dist/src/cli/main.js')} "$@"; }; printf '$ %s\\n' '${shown}'; ${command}; touch ${done}; sleep 5\n`,
  )
  const env = {
    ...process.env,
    DISPLAY,
    UNPACK_PASSPHRASE: PASSPHRASE,
    UNPACK_LOGINS: join(folder, 'logins.json'),
    UNPACK_STATE: join(folder, 'state'),
    NODE_OPTIONS: '',
    FORCE_COLOR: '1',
  }
  const window = spawn(
    'xterm',
    [
      '-fullscreen',
      '-geometry',
      `128x${Math.floor(height / 20)}+0+0`,
      '-b',
      '0',
      '-bw',
      '0',
      '-fa',
      'DejaVu Sans Mono',
      '-fs',
      '12',
      '-bg',
      '#fbfaf7',
      '-fg',
      '#22211f',
      '-e',
      'bash',
      script,
    ],
    { env, stdio: 'ignore' },
  )
  for (let tries = 0; tries < 300 && !existsSync(done); tries += 1) await wait(100)
  await wait(700)
  execFileSync('import', ['-window', 'root', join(out, `${name}.png`)], { env })
  window.kill()
  screen.kill()
  await wait(400)
  process.stdout.write(`${name}.png\n`)
}

const host = standInBlog({ standing: 'first-run' })
await host.listen(4101)
await (
  await LoginsFile.open(join(folder, 'logins.json'), new Secret(PASSPHRASE), 4)
).put('http://127.0.0.1:4199/', 'nobody', new Secret('x'))
execFileSync('cp', ['-r', join(root, 'demo/repair-cafe'), folder])

await terminal('survey', 'unpack survey http://127.0.0.1:4101/', 180)
await terminal('compare', 'unpack compare repair-cafe/baseline.yaml | head -42', 880)
await terminal('settle', 'unpack settle repair-cafe/baseline.yaml --yes 2>/dev/null', 880)
await terminal('confirm', 'unpack confirm repair-cafe/baseline.yaml')
await terminal(
  'mistakes',
  `sed -e "s/title: Lantern/titel: Lantern/; s/London/Lundon/; s/marlow #/admin #/; s/password: made/password: hunter2/" repair-cafe/baseline.yaml > repair-cafe/wrong.yaml; unpack compare repair-cafe/wrong.yaml`,
  280,
)

// the forum: the host has installed it, and written to its owner
const forum = standInForum()
await forum.listen(4102)
const forumLogins = await LoginsFile.open(join(folder, 'logins.json'), new Secret(PASSPHRASE))
await forumLogins.put('http://127.0.0.1:4102/', 'boss', new Secret('harbour-light-41'), { temporary: true })
execFileSync('cp', ['-r', join(root, 'demo/tidepool-watchers'), folder])
const quiet = 'sed -i "s/approval: email/approval: none/" tidepool-watchers/baseline.yaml'
execFileSync('bash', ['-c', quiet], { cwd: folder })
await terminal('compare-forum', 'unpack compare tidepool-watchers/baseline.yaml | tail -48', 980)
/** Settles a demo's plan; not waited for in this thread: its site runs in it. */
const settled = (world: string) =>
  promisify(execFile)(
    process.execPath,
    [join(root, 'dist/src/cli/main.js'), 'settle', `${world}/baseline.yaml`, '--yes'],
    {
      cwd: folder,
      env: {
        ...process.env,
        UNPACK_PASSPHRASE: PASSPHRASE,
        UNPACK_LOGINS: join(folder, 'logins.json'),
        UNPACK_STATE: join(folder, 'state'),
      },
    },
  )
await settled('tidepool-watchers')
// one cell is wrong: somebody has opened a room at the dashboard
forum.board.forums.find(({ title }) => title === 'Raw counts')?.may.read.push('members')
await terminal('confirm-forum', 'unpack confirm tidepool-watchers/baseline.yaml | tail -24', 520)

// the museum: whoever looks after its server makes it
const museum = standInContent({ base: '/museum/' })
await museum.listen(4103)
await forumLogins.put('http://127.0.0.1:4103/museum/', 'keeper', new Secret('harbour-light-41'))
execFileSync('cp', ['-r', join(root, 'demo/old-ropewalk-museum'), folder])
await settled('old-ropewalk-museum')

// the seed library, from its set-up on
const shop = standInShop()
await shop.listen(4104)
execFileSync('cp', ['-r', join(root, 'demo/saltmarsh-seed-library'), folder])
await settled('saltmarsh-seed-library')

const browser = await launchBrowser()
async function page(
  name: string,
  url: string,
  width = 1280,
  height = 800,
  before?: (text: string) => string,
): Promise<void> {
  const tab = await browser.newPage({ viewport: { width, height } })
  await tab.goto(url)
  const text = tab.locator('#text')
  if (before) await text.fill(before(await text.inputValue()))
  await wait(300)
  await tab.screenshot({ path: join(out, `${name}.png`) })
  await tab.close()
  process.stdout.write(`${name}.png\n`)
}
/** The report of a site's first run of a kind. */
function reportOf(site: string, of: 'settle' | 'confirm'): string {
  const records = join(folder, 'unpack-record', site)
  const found = readdirSync(records)
    .sort()
    .find((name) => readFileSync(join(records, name, 'report.json'), 'utf8').includes(`"of": "${of}"`))
  return pathToFileURL(join(records, found ?? '', 'report.html')).href
}
const report = reportOf('127.0.0.1_4101', 'settle')
await page('report', report)
await page('report-phone', report, 390, 844)
await page('report-forum', `${reportOf('127.0.0.1_4102', 'confirm')}#eyes`)
await page('settled-forum', 'http://127.0.0.1:4102/', 1280, 800)
await page('settled-museum', 'http://127.0.0.1:4103/museum/')
await page('report-museum', reportOf('127.0.0.1_4103_museum', 'settle'))
await page('settled-shop', 'http://127.0.0.1:4104/')
await page('report-shop', reportOf('127.0.0.1_4104', 'settle'))
const cart = await browser.newPage({ viewport: { width: 1280, height: 800 } })
for (const place of ['harbour-light', 'broad-bean-ebb', 'dibber']) {
  await cart.goto(`http://127.0.0.1:4104/${place}/`)
  await cart.click('#buy button')
}
await cart.screenshot({ path: join(out, 'cart-shop.png') })
await cart.close()
await page('settled-blog', 'http://127.0.0.1:4101/news/')
const vite = await createServer({
  configFile: join(root, 'examples/check-a-baseline/vite.config.ts'),
  server: { port: 4177, host: '127.0.0.1' },
  logLevel: 'error',
})
await vite.listen()
await page('check-a-baseline', 'http://127.0.0.1:4177/', 1280, 800, (text) =>
  text.replace('timezone: Europe/London', 'timezone: Europe/Lundon').replace('slug: lamps', 'slug: bicycles'),
)
await vite.close()
await browser.close()
await host.close()
await forum.close()
await museum.close()
await shop.close()
