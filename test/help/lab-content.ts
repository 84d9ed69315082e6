import { execFile, execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { createServer, request as forward } from 'node:http'
import { join } from 'node:path'
import { after } from 'node:test'
import { promisify } from 'node:util'
import { builtIn, Secret, type LoginsFile } from 'unpack'
import type { Provided } from 'unpack/conformance'
import { troubled, type TroubledSite } from '../../stand-ins/faults/proxy.js'
import { freePort } from './port.js'
import { root } from './root.js'
import { alike, mailServer, ownFolders } from './sites.js'

const run = promisify(execFile)
const lab = join(root, 'lab/plone')
const here = join(root, '.lab')

/** Whoever looks after the server, as the host has told the owner. */
export const keeper = { username: 'boss', password: 'Lab-First-Pass-1' }
const basic = `Basic ${Buffer.from(`${keeper.username}:${keeper.password}`).toString('base64')}`

/** A real Plone server on this machine, which holds as many sites as tests want. */
export interface LabContent {
  /** Its origin, by the name under which its pages wear their theme. */
  origin: string
  /** Where it answers itself, with nothing in front of it. */
  port: number
  /** The address of a site that is not made yet: each has its own. */
  next(): string
  /** Asks its interface as whoever looks after it, behind the back of whatever runs. */
  ask(method: string, url: string, json?: unknown): Promise<Response>
  /** Makes a site as a host would. */
  make(address: string, fields?: object): Promise<void>
  remove(address: string): Promise<void>
  /** The addresses of all sites on it. */
  sites(): Promise<string[]>
  /** Requests that could change a site, log-ins apart, as a server in front of it counted them. */
  writes(address: string): string[]
  before: TroubledSite
  /** A server in front of the site at that address, which leads another one to it, as hosts do. @returns that address */
  mapped(address: string): Promise<string>
  /** Closes something with it, when the test file ends. */
  closes(one: { close(): Promise<void> }): void
}

/** Starts one for a test file; it is stopped when that ends. */
export async function labContent(name: string): Promise<LabContent> {
  const folder = join(here, `content-${name}`)
  const port = await freePort()
  const env = { ...process.env, SITE: 'none', RESET: '1' }
  await run(join(lab, 'up'), [folder, String(port)], { env, maxBuffer: 1 << 24 })
  const before = await troubled(port)
  const others: { close(): Promise<void> }[] = []
  after(async () => {
    await Promise.all(others.map((one) => one.close()))
    await before.close()
    execFileSync(join(lab, 'down'), [folder])
  })
  // under 127.0.0.1 the system leaves its theme away
  const origin = `http://localhost:${before.port}`
  const ask: LabContent['ask'] = (method, url, json) =>
    fetch(url.replace(origin, `http://localhost:${port}`), {
      method,
      headers: { authorization: basic, accept: 'application/json', 'content-type': 'application/json' },
      ...(json !== undefined && { body: JSON.stringify(json) }),
    })
  let made = 0
  const pathOf = (address: string) => new URL(address).pathname
  return {
    origin,
    port,
    before,
    ask,
    async mapped(address) {
      const front = createServer((request, response) => {
        const at = front.address()
        const own = `VirtualHostBase/http/localhost:${typeof at === 'object' && at ? at.port : 80}${pathOf(address)}VirtualHostRoot`
        const { method, headers, url: path = '/' } = request
        const to = forward({ port, method, headers, path: `/${own}${path}` }, (answer) => {
          response.writeHead(answer.statusCode ?? 502, answer.headers)
          answer.pipe(response)
        })
        to.on('error', () => response.destroy())
        request.pipe(to)
      })
      await new Promise<void>((resolve) => front.listen(0, resolve))
      others.push({
        close: () =>
          new Promise((resolve) => {
            front.closeAllConnections()
            front.close(() => {
              resolve()
            })
          }),
      })
      const at = front.address()
      return `http://localhost:${typeof at === 'object' && at ? at.port : 80}/`
    },
    closes: (one) => void others.push(one),
    next: () => `${origin}/site${(made += 1)}/`,
    async make(address, fields = {}) {
      const id = pathOf(address).replaceAll('/', '')
      const plain = { distribution: 'classic', site_id: id, title: 'A site', default_language: 'en' }
      const answer = await ask('POST', `${origin}/@sites`, {
        ...plain,
        portal_timezone: 'UTC',
        setup_content: false,
        ...fields,
      })
      if (answer.status !== 200) throw new Error(`no site was made: ${await answer.text()}`)
    },
    async remove(address) {
      await ask('DELETE', address.replace(/\/$/, ''))
    },
    async sites() {
      const told = (await (await ask('GET', `${origin}/@sites`)).json()) as { sites: { '@id': string }[] }
      return told.sites.map((one) => `${one['@id']}/`)
    },
    writes: (address) =>
      before.passed
        .filter(({ method, url }) => !['GET', 'HEAD'].includes(method) && !/\/(?:login|logout)$/.test(url))
        .filter(({ url }) => url.startsWith(pathOf(address).replace(/\/$/, '')) || url.startsWith('/@sites'))
        .map(({ method, url }) => `${method} ${url}`),
  }
}

/** Stores what the host wrote to the owner. */
export const keepersLogin = (logins: LoginsFile, address: string): Promise<void> =>
  logins.put(address, keeper.username, new Secret(keeper.password))

/** A site that is not made yet, with the host's login stored, and options for a run on it. */
export async function unmadeSite(content: LabContent, folder: string) {
  const address = content.next()
  const options = { systems: builtIn, ...(await ownFolders(folder)) }
  await keepersLogin(options.logins, address)
  return { address, options }
}

/** The same of one that is made already. */
export async function madeSite(content: LabContent, folder: string) {
  const site = await unmadeSite(content, folder)
  await content.make(site.address)
  return site
}

/** A site that waits for its first run, for the suite. */
export async function providedContent(content: LabContent, folder: string): Promise<Provided> {
  const address = content.next()
  const folders = await ownFolders(folder)
  await keepersLogin(folders.logins, address)
  const post = await mailServer(folder, (one) => {
    content.closes(one)
  })
  const bytes = new Uint8Array(readFileSync(join(root, 'demo/old-ropewalk-museum/files/ropewalk-theme.zip')))
  const theme = { use: 'ropewalk', bytes }
  return {
    address,
    ...folders,
    ...post,
    writes: () => content.writes(address).length,
    ...alike(address),
    elsewhere: address.replace('localhost', '127.0.0.1'),
    comments: 'comments',
    archives: { theme, addOn: theme },
  }
}
