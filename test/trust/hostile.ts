import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { setTimeout as wait } from 'node:timers/promises'
import { builtIn, compareSite, readBaseline, Secret, settle, survey, UnpackError, type System } from 'unpack'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { standInContentSystem } from '../../stand-ins/content/adapter/index.js'
import { standInForumSystem } from '../../stand-ins/forum/adapter/index.js'
import { ownFolders } from '../help/sites.js'
import { some } from './chance.js'
import { hostile, serveHostile, type Hostile } from './hostile-servers.js'
import { PATIENCE } from './world.js'
import { count, emptyTally, type Tally } from './tally.js'
import { formsOf } from '../../src/logins/guard.js'

/** Milliseconds within which a survey ends, and a run that is more than that. */
const MOST = { survey: 32_000, run: 90_000 }
/** MiB of memory that a run against a hostile site may take, beside what this process has. */
const MEMORY = 400

const PASSWORD = 'Ro"ck-pö%ol & <tide>'

/** Somebody else's server: it notes whatever secret reaches it. */
async function stranger(): Promise<{ address: string; seen: string[]; close(): void }> {
  const seen: string[] = []
  const server = createServer((request, response) => {
    const { authorization, cookie } = request.headers
    let body = ''
    request.on('data', (part: Buffer) => (body += part.toString()))
    request.on('end', () => {
      if (authorization ?? cookie ?? (body !== '' ? body : undefined))
        seen.push(`${request.method} ${authorization ?? ''} ${cookie ?? ''} ${body}`)
      response.end(
        '<html><head><meta name="generator" content="Stand-in blog 1.0"></head><body><form id="enter"></form></body></html>',
      )
    })
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.2', resolve))
  return { address: `http://127.0.0.2:${(server.address() as AddressInfo).port}/`, seen, close: () => server.close() }
}

/** Every hostile site against survey, compare and settle: each ends, in time and memory, in an owner's words, and tells nobody. */
export async function hostileSites(root: string, random: () => number, most = Infinity): Promise<Tally> {
  const tally = emptyTally()
  const chosen = some(hostile, most, random)
  tally.cases = { tried: chosen.length, of: hostile.length }
  for (const one of chosen) await against(one, root, tally)
  return tally
}

async function against(one: Hostile, root: string, tally: Tally): Promise<void> {
  const elsewhere = await stranger()
  const { address, close } = await serveHostile(one, elsewhere.address)
  const folders = await ownFolders(root)
  await folders.logins.put(address, 'marlow', new Secret(PASSWORD))
  await folders.logins.put(address, 'guard', new Secret(PASSWORD), { door: true })
  const systems: System[] = [...builtIn, standInBlogSystem, standInContentSystem, standInForumSystem]
  const options = { systems, ...folders, patience: PATIENCE, unproven: true }
  const { baseline } = readBaseline(
    `unpack: 1\nsite: { address: "${address}", title: Quay }\nowner: { username: marlow, email: ines@quay.example }\nshipped: remove\npages: [{ title: Visit, slug: visit }]`,
  )
  const calls: [string, number, () => Promise<unknown>][] = [
    ['survey', MOST.survey, () => survey(address, { systems, patience: PATIENCE })],
    ['compare', MOST.run, () => compareSite(baseline, options)],
    ['settle', MOST.run, () => settle(baseline, options)],
  ]
  for (const [name, limit, act] of calls) {
    const what = `${name} of ${one.name}`
    tally.runs += 1
    const before = process.memoryUsage().rss
    let peak = before
    const sampler = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 50)
    const stop = new AbortController()
    const came = await Promise.race([
      act().then(
        (done) => done,
        (error: unknown) => error,
      ),
      wait(limit, 'hung', { signal: stop.signal }).catch(() => undefined),
    ])
    stop.abort()
    clearInterval(sampler)
    if (came === 'hung') count(tally, 'hung', what)
    if (came instanceof Error && (!(came instanceof UnpackError) || came.code === 'fault'))
      count(tally, 'crashed', `${what}: ${String(came)} ${JSON.stringify(came.cause)} ${came.stack ?? ''}`)
    if (peak - before > MEMORY * 1024 * 1024)
      count(tally, 'crashed', `${what}: it took ${Math.round((peak - before) / 1048576)} MiB`)
    const said = JSON.stringify(
      came instanceof UnpackError ? [came.message, came.next] : (came ?? null),
      (_key, value: unknown) => (value instanceof Uint8Array ? 0 : value),
    )
    if (formsOf(PASSWORD).some((form) => said.includes(form))) count(tally, 'leaked', `${what}: in what it says`)
  }
  for (const seen of elsewhere.seen) count(tally, 'leaked', `${one.name}: ${seen}`)
  close()
  elsewhere.close()
}
