import { execFile, execFileSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { after } from 'node:test'
import { promisify } from 'node:util'
import { Secret, type LoginsFile } from 'unpack'
import { freePort } from './port.js'
import { root } from './root.js'

const run = promisify(execFile)
const lab = join(root, 'lab/misago')
/** Whether every folder above lets others pass. */
const lets = (folder: string): boolean =>
  (statSync(folder).mode & 0o001) !== 0 && (folder === dirname(folder) || lets(dirname(folder)))
/** Its database runs as another user, who must be able to reach it. */
const here = join([tmpdir(), '/tmp', '/var/tmp'].find(lets) ?? tmpdir(), 'unpack-lab')

/** What the host made, and wrote to the owner. */
export const hostLogin = { username: 'boss', password: 'Lab-First-Pass-1' }

/** A real Misago on this machine, with hands on its database. */
export interface LabForum {
  address: string
  /** Makes it fresh again: set up, with the host's owner. */
  reset(): Promise<void>
  /** Runs SQL behind the forum's back; gives the answer's lines. */
  sql(text: string): string
  /** Requests that could change the forum, log-ins apart, as its server counted them. */
  writes(): number
  requests(): string[]
  stop(): void
}

/** Starts one for a test file; it is stopped when that ends. */
export async function labForum(name: string): Promise<LabForum> {
  const folder = join(here, `forum-${name}`)
  mkdirSync(here, { recursive: true, mode: 0o755 })
  const port = await freePort()
  const log = join(folder, 'log/requests.log')
  const up = async (reset: boolean) => {
    rmSync(log, { force: true })
    const env = { ...process.env, ...(reset && { RESET: '1' }) }
    const { stdout } = await run(join(lab, 'up'), [folder, String(port)], { env, maxBuffer: 1 << 24 })
    return /^ready (\S+)/m.exec(stdout)?.[1] ?? ''
  }
  const address = await up(true)
  const stop = () => {
    execFileSync(join(lab, 'down'), [folder])
  }
  after(stop)
  const lines = () => readFileSync(log, 'utf8').trim().split('\n')
  return {
    address,
    stop,
    requests: lines,
    writes: () =>
      lines().filter(
        (line) => !/^(?:GET|HEAD) /.test(line) && !/^POST \/(?:api\/auth\/|logout\/|admincp\/)$/.test(line),
      ).length,
    reset: async () => {
      await up(true)
    },
    sql(text) {
      const [, , , at] = readFileSync(join(folder, 'pg/data/postmaster.pid'), 'utf8').split('\n')
      const password = readFileSync(join(folder, 'pg/secret'), 'utf8').trim()
      return execFileSync(
        'psql',
        ['-h', '127.0.0.1', '-p', at ?? '', '-U', 'postgres', '-qAtX', '-d', 'misago', '-c', text],
        { env: { ...process.env, PGPASSWORD: password }, encoding: 'utf8' },
      )
    },
  }
}

/** Stores what the host wrote to the owner. */
export const hostsLogin = (logins: LoginsFile, address: string): Promise<void> =>
  logins.put(address, hostLogin.username, new Secret(hostLogin.password), { temporary: true })
