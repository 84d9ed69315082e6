import { execFile, execFileSync } from 'node:child_process'
import { mkdirSync, readFileSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { after } from 'node:test'
import { promisify } from 'node:util'
import { Secret } from 'unpack'
import type { Provided } from 'unpack/conformance'
import { troubled, type TroubledSite } from '../../stand-ins/faults/proxy.js'
import { freePort } from './port.js'
import { root } from './root.js'
import { alike, ownFolders } from './sites.js'

const run = promisify(execFile)
const lab = join(root, 'lab/evershop')
/** Whether every folder above lets others pass. */
const lets = (folder: string): boolean =>
  (statSync(folder).mode & 0o001) !== 0 && (folder === dirname(folder) || lets(dirname(folder)))
/** Its database runs as another user, who must be able to reach it. */
const here = join([tmpdir(), '/tmp', '/var/tmp'].find(lets) ?? tmpdir(), 'unpack-lab')

/** The owner, whom the host has made on the server. */
export const shopOwner = { username: 'marlow', email: 'ines@tidepool.example', password: 'Lab-First-Pass-1-and-longer' }

/** A real EverShop on this machine, behind a server that counts, and with hands on its database. */
export interface LabShop {
  address: string
  before: TroubledSite
  /** Makes it fresh again. */
  reset(): Promise<void>
  /** Runs SQL behind the shop's back; gives the answer's lines. */
  sql(text: string): string
  /** Requests that could change the shop, log-ins apart. */
  writes(): string[]
  /** Whether the shop's own limits count: lifted from the start. */
  limits(on: boolean): void
}

/** Starts one for a test file; it is stopped when that ends. */
export async function labShop(name: string): Promise<LabShop> {
  const folder = join(here, `shop-${name}`)
  mkdirSync(here, { recursive: true, mode: 0o755 })
  const port = await freePort()
  const { username: LAB_USER, email: LAB_EMAIL, password: LAB_PASSWORD } = shopOwner
  const up = (reset: boolean) =>
    run(join(lab, 'up'), [folder, String(port)], {
      env: { ...process.env, LAB_USER, LAB_EMAIL, LAB_PASSWORD, ...(reset && { RESET: '1' }) },
      maxBuffer: 1 << 24,
    })
  await up(true)
  const before = await troubled(port)
  let limited = false
  let number = 0
  before.alter = ({ headers }, body) => {
    number += 1
    if (!limited) headers['x-forwarded-for'] = `10.${(number >> 16) & 255}.${(number >> 8) & 255}.${number & 255}`
    return body
  }
  after(async () => {
    await before.close()
    execFileSync(join(lab, 'down'), [folder])
  })
  return {
    address: `http://127.0.0.1:${before.port}/`,
    before,
    async reset() {
      await up(true)
      before.trouble([])
      before.passed.length = 0
    },
    sql(text) {
      const [, , , at] = readFileSync(join(folder, 'pg/data/postmaster.pid'), 'utf8').split('\n')
      const password = readFileSync(join(folder, 'pg/secret'), 'utf8').trim()
      return execFileSync(
        'psql',
        ['-h', '127.0.0.1', '-p', at ?? '', '-U', 'postgres', '-qAtX', '-d', 'shop', '-c', text],
        { env: { ...process.env, PGPASSWORD: password }, encoding: 'utf8' },
      )
    },
    writes: () =>
      before.passed
        .filter(({ method, url }) => !['GET', 'HEAD'].includes(method) && !/\/graphql$|\/user\/login$/.test(url))
        .map(({ method, url }) => `${method} ${url}`),
    limits: (on) => void (limited = on),
  }
}

/** A fresh shop with its owner's login stored, for the suite. */
export async function providedLabShop(shop: LabShop, folder: string): Promise<Provided> {
  await shop.reset()
  const folders = await ownFolders(folder)
  await folders.logins.put(shop.address, shopOwner.username, new Secret(shopOwner.password))
  return { address: shop.address, ...folders, writes: () => shop.writes().length, ...alike(shop.address) }
}
