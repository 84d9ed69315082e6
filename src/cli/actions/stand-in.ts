import { readFileSync } from 'node:fs'
import { faultsIn } from '../../../stand-ins/faults/fault.js'
import { troubled } from '../../../stand-ins/faults/proxy.js'
import type { StandInSite } from '../../../stand-ins/common/server/site.js'
import { standInBlog, type StandInOptions } from '../../../stand-ins/blog/server/index.js'
import { standInContent } from '../../../stand-ins/content/server/index.js'
import { standInForum } from '../../../stand-ins/forum/server/index.js'
import { standInShop } from '../../../stand-ins/shop/server/index.js'
import { standInMail } from '../../../stand-ins/mail/server.js'
import { UnpackError } from '../../core/errors.js'
import { heading, row } from '../show/layout.js'
import { untilStopped } from '../until-stopped.js'

/** Who owns a stand-in that is set up already; printed when it starts, since it guards nothing. */
const OWNER = { username: 'boss', password: 'harbour-light-41' }

interface Flags {
  port?: number
  standing?: StandInOptions['standing']
  base: string
  mail?: number
  folder: string
  faults?: string
}

export const standIn = (kind: 'blog' | 'forum' | 'content' | 'shop' | 'mail', flags: Flags): Promise<void> =>
  ({ blog, forum, content, shop, mail })[kind](flags)

const taken = (port: number) => (): never => {
  const next = 'Name another with --port, or --port 0 for any.'
  throw UnpackError.of('command-line-wrong', { what: `Port ${port} is taken.`, next })
}

const folderOf = (base: string): string => `/${base}/`.replace(/\/+/g, '/')
const signIn = (address: string): string[] => row('sign in', `${OWNER.username} / ${OWNER.password} at ${address}enter`)

async function blog({ port = 4101, standing = 'first-run', base, mail, faults }: Flags): Promise<void> {
  const site = standInBlog({ standing, base: folderOf(base), owner: OWNER, mail })
  const { address, ...one } = await listening(site, port, faults)
  const setUp = standing === 'fresh' || standing === 'in-use'
  await running([heading(address), ...row('standing', standing), ...(setUp ? signIn(address) : [])], one)
}

async function forum({ port = 4102, standing = 'fresh', base, mail, faults }: Flags): Promise<void> {
  if (standing !== 'fresh' && standing !== 'in-use')
    throw UnpackError.of('command-line-wrong', {
      what: 'A stand-in forum is installed with its owner: it is fresh, or in-use.',
      next: 'Leave --standing out, or name one of them.',
    })
  const site = standInForum({ standing, base: folderOf(base), owner: OWNER, mail })
  const { address, ...one } = await listening(site, port, faults)
  await running([heading(address), ...row('standing', standing), ...signIn(address)], one)
}

async function content({ port = 4103, standing = 'first-run', base, faults }: Flags): Promise<void> {
  if (standing === 'placeholder')
    throw UnpackError.of('command-line-wrong', {
      what: 'A stand-in content site has no placeholder: its server is there from the start.',
      next: 'Leave --standing out, or name first-run, fresh or in-use.',
    })
  const site = standInContent({ standing, base: folderOf(base), keeper: OWNER })
  const { address, ...one } = await listening(site, port, faults)
  await running([heading(address), ...row('standing', standing), ...signIn(address)], one)
}

async function shop({ port = 4104, standing = 'first-run', base, faults }: Flags): Promise<void> {
  if (standing === 'placeholder')
    throw UnpackError.of('command-line-wrong', {
      what: 'A stand-in shop has no placeholder: its set-up waits from the start.',
      next: 'Leave --standing out, or name first-run, fresh or in-use.',
    })
  const site = standInShop({ standing, base: folderOf(base), owner: OWNER })
  const { address, ...one } = await listening(site, port, faults)
  const setUp = standing !== 'first-run'
  await running([heading(address), ...row('standing', standing), ...(setUp ? signIn(address) : [])], one)
}

/** Starts a stand-in; with a list of faults, behind a server that troubles what passes by. */
async function listening(
  site: StandInSite,
  port: number,
  file: string | undefined,
): Promise<{ address: string; close(): Promise<void> }> {
  if (file === undefined) return { address: await site.listen(port).catch(taken(port)), close: () => site.close() }
  const faults = faultsIn(textIn(file))
  if (typeof faults === 'string')
    throw UnpackError.of('command-line-wrong', {
      what: `${file} is no list of faults: ${faults}.`,
      next: 'See docs/trust.md.',
    })
  const hidden = await site.listen(0)
  const before = await troubled(Number(new URL(hidden).port), port).catch(taken(port))
  before.trouble(faults)
  return {
    address: hidden.replace(/:\d+/, `:${before.port}`),
    close: async () => {
      await before.close()
      await site.close()
    },
  }
}

function textIn(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    throw UnpackError.of('file-missing', { file })
  }
}

async function mail({ port = 2525, folder }: Flags): Promise<void> {
  const server = await standInMail(folder, port).catch(taken(port))
  await running(
    [heading(`SMTP on 127.0.0.1:${server.port}`), ...row('mails', `go to ${folder}, and no further`)],
    server,
  )
}

async function running(lines: readonly string[], one: { close(): Promise<void> }): Promise<void> {
  process.stdout.write(`${[...lines, ...row('', 'Ctrl-C ends it.')].join('\n')}\n`)
  await untilStopped()
  await one.close()
}
