import { randomUUID } from 'node:crypto'
import { execFile, execFileSync } from 'node:child_process'
import { readFileSync, rmSync, writeFileSync, mkdirSync } from 'node:fs'
import { freePort } from './port.js'
import { join } from 'node:path'
import { after } from 'node:test'
import { promisify } from 'node:util'
import { root } from './root.js'

const run = promisify(execFile)
const lab = join(root, 'lab/wordpress')
const here = join(root, '.lab')

/** The version that tests run on; `WORDPRESS=6.1` and `6.8` are proven too. */
export const wordpressVersion = process.env.WORDPRESS ?? '7.1'
/** The theme that its first run puts to use. */
export const shippedTheme = wordpressVersion === '6.1' ? 'twentytwentythree' : 'twentytwentyfive'
/** What stays of a first run with `shipped: remove`: newer versions make a menu by themselves when a page is shown. */
export const staysByItself = [`theme/${shippedTheme}`, ...(wordpressVersion === '6.1' ? [] : ['menus/navigation'])]

/** A real WordPress on this machine, with hands on its files and database. */
export interface LabBlog {
  address: string
  /** Makes it fresh again: the first-run form waits. */
  reset(): Promise<void>
  /** Runs SQL behind the site's back; gives the answer's lines. */
  sql(text: string): string
  /** Puts a PHP file in place that the system runs on every request, or takes it away. */
  meddle(php: string | undefined): void
  /** Puts a file into its folder, or takes it away. */
  file(name: string, text: string | undefined): void
  /** Changes a line of its configuration. */
  configure(from: string, to: string): void
  /** Requests that could change the site, log-ins apart, as its server counted them. */
  writes(): number
  /** All requests that arrived, a line each. */
  requests(): string[]
  stop(): void
  start(): Promise<void>
}

/** Starts one for a test file; it is stopped when that ends. */
export async function labBlog(name: string, subdir = '', more: Record<string, string> = {}): Promise<LabBlog> {
  const folder = join(here, `blog-${name}`)
  const port = await freePort()
  const up = async (reset: boolean) => {
    const env = { ...process.env, WORDPRESS: wordpressVersion, ...more, SUBDIR: subdir, ...(reset && { RESET: '1' }) }
    const { stdout } = await run(join(lab, 'up'), [folder, String(port)], { env, maxBuffer: 1 << 24 })
    return /^ready (\S+)/m.exec(stdout)?.[1] ?? ''
  }
  const log = join(folder, 'log/requests.log')
  const site = join(folder, 'www', subdir)
  const stop = () => {
    execFileSync(join(lab, 'down'), [folder])
  }
  rmSync(log, { force: true })
  const address = await up(true)
  after(stop)
  const lines = () => {
    try {
      return readFileSync(log, 'utf8').trim().split('\n')
    } catch {
      return []
    }
  }
  return {
    address,
    requests: lines,
    writes: () =>
      lines().filter(
        (line) =>
          // some of its links change the site, and so does opening one of its screens
          /themes\.php\?action=|options-permalink\.php$/.test(line) ||
          (!/^(?:GET|HEAD) /.test(line) && !/wp-login\.php|wp-cron\.php/.test(line)),
      ).length,
    reset: async () => {
      rmSync(log, { force: true })
      await up(true)
    },
    sql: (text) =>
      execFileSync(
        'mariadb',
        ['--no-defaults', '-uroot', '-S', join(folder, 'run/db.sock'), '-N', '-e', text, 'blog'],
        { encoding: 'utf8' },
      ),
    meddle(php) {
      // under a new name each time: PHP keeps what it compiled, and tells files apart by name and second
      rmSync(join(site, 'wp-content/mu-plugins'), { recursive: true, force: true })
      if (php === undefined) return
      mkdirSync(join(site, 'wp-content/mu-plugins'))
      writeFileSync(join(site, `wp-content/mu-plugins/meddle-${randomUUID()}.php`), `<?php\n${php}\n`)
    },
    file(name, text) {
      if (text === undefined) rmSync(join(site, name), { force: true })
      else writeFileSync(join(site, name), text)
    },
    configure(from, to) {
      const file = join(site, 'wp-config.php')
      writeFileSync(file, readFileSync(file, 'utf8').replace(from, to))
    },
    stop,
    start: async () => {
      await up(false)
    },
  }
}
