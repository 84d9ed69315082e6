import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { chooseAll, LoginsFile, MailFolder, Secret, type RunOptions, type System } from 'unpack'
import type { Provided } from 'unpack/conformance'
import { demoFolder } from './demo.js'
import { standInBlogSystem } from '../../stand-ins/blog/adapter/index.js'
import { standInBlog, type StandInBlog, type StandInOptions } from '../../stand-ins/blog/server/index.js'

import { standInContent } from '../../stand-ins/content/server/index.js'
import { standInForum } from '../../stand-ins/forum/server/index.js'
import { standInShop } from '../../stand-ins/shop/server/index.js'
import { standInMail } from '../../stand-ins/mail/server.js'

export const PASSPHRASE = 'low water at nine'

/** Logins, state and records of their own. The work factor is the least, since nothing here is worth guarding. */
export interface OwnFolders {
  logins: LoginsFile
  state: string
  records: string
  /** Whoever runs a test agrees to everything that is shown. */
  choose: typeof chooseAll
}
export async function ownFolders(root: string): Promise<OwnFolders> {
  const own = join(root, randomUUID())
  return {
    logins: await LoginsFile.open(join(own, 'logins.json'), new Secret(PASSPHRASE), 4),
    state: join(own, 'state'),
    records: join(own, 'records'),
    choose: chooseAll,
  }
}

export interface RunningStandIn extends StandInBlog {
  address: string
  options: Omit<RunOptions, 'logins'> & OwnFolders
}

/** A stand-in blog on a free port, with options for running on it. */
export async function runningStandIn(root: string, options: StandInOptions): Promise<RunningStandIn> {
  const standIn = standInBlog(options)
  const address = await standIn.listen(0)
  return Object.assign(standIn, {
    address,
    options: { systems: [standInBlogSystem as System], ...(await ownFolders(root)) },
  })
}

/** A stand-in's system that knows it under any name: tests give this machine others. */
export const anywhere = (system: System): System => ({
  ...system,
  recognise: async (look) => {
    const { origin } = new URL(look.front.url)
    const here = (text: string) => text.replace(origin, 'http://127.0.0.1')
    const found = await system.recognise({ ...look, front: { ...look.front, url: here(look.front.url) } })
    return found && { ...found, address: found.address.replace('http://127.0.0.1', origin) }
  },
})

/** Requests that could change the stand-in, log-ins apart, as it counted them itself. */
export const writesAt = ({ requests }: { requests: readonly string[] }): number =>
  requests.filter((line) => !line.startsWith('GET') && !/\/(?:enter|leave)$/.test(line)).length

/** What the suite wants of all systems alike: another name of this machine, and archives that both can take. */
export const alike = (address: string): Pick<Provided, 'elsewhere' | 'icon' | 'archives'> => ({
  elsewhere: address.replace('127.0.0.1', 'localhost'),
  icon: new Uint8Array(readFileSync(join(demoFolder, 'files/lantern.png'))),
  archives: { theme: archive('lantern', 'lantern-theme'), addOn: archive('contact-card', 'contact-card') },
})
const archive = (use: string, file: string) => ({
  use,
  bytes: new Uint8Array(readFileSync(join(demoFolder, 'files', `${file}.zip`))),
})

export async function providedStandIn(root: string, running: (standIn: StandInBlog) => void): Promise<Provided> {
  const standIn = await runningStandIn(root, { standing: 'first-run' })
  running(standIn)
  return { address: standIn.address, ...standIn.options, writes: () => writesAt(standIn), ...alike(standIn.address) }
}

/** A server that takes mails, and the box to which they go. */
export async function mailServer(
  root: string,
  running: (one: { close(): Promise<void> }) => void,
): Promise<{ mailbox: MailFolder; smtp: string }> {
  const mails = join(root, randomUUID())
  const post = await standInMail(mails, 0)
  running(post)
  return { mailbox: new MailFolder(mails), smtp: `smtp://127.0.0.1:${post.port}` }
}

/** A stand-in content site that waits for its first run, with the login of whoever looks after its server stored. */
export async function providedContentStandIn(
  root: string,
  running: (one: { close(): Promise<void> }) => void,
): Promise<Provided> {
  const folders = await ownFolders(root)
  const site = standInContent({ base: '/museum/' })
  const address = await site.listen(0)
  running(site)
  await folders.logins.put(address, 'keeper', new Secret('harbour-light-41'))
  const post = await mailServer(root, running)
  return { address, ...folders, ...post, writes: () => writesAt(site), ...alike(address), comments: 'comments' }
}

/** A stand-in shop that waits for its set-up. */
export async function providedShop(
  root: string,
  running: (one: { close(): Promise<void> }) => void,
): Promise<Provided> {
  const shop = standInShop()
  const address = await shop.listen(0)
  running(shop)
  return { address, ...(await ownFolders(root)), writes: () => writesAt(shop), ...alike(address) }
}

/** A fresh stand-in forum, with the host's login stored, and mails that it sends in a folder. */
export async function providedForum(
  root: string,
  running: (one: { close(): Promise<void> }) => void,
): Promise<Provided> {
  const folders = await ownFolders(root)
  const post = await mailServer(root, running)
  const forum = standInForum({ mail: Number(new URL(post.smtp).port) })
  const address = await forum.listen(0)
  running(forum)
  await folders.logins.put(address, 'boss', new Secret('harbour-light-41'), { temporary: true })
  return { address, ...folders, ...post, writes: () => writesAt(forum), ...alike(address) }
}
