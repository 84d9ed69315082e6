import { standInBlog, type StandInOptions } from '../../../stand-ins/blog/server/index.js'
import { standInForum } from '../../../stand-ins/forum/server/index.js'
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
}

export const standIn = (kind: 'blog' | 'forum' | 'mail', flags: Flags): Promise<void> =>
  ({ blog, forum, mail })[kind](flags)

const taken = (port: number) => (): never => {
  const next = 'Name another with --port, or --port 0 for any.'
  throw UnpackError.of('command-line-wrong', { what: `Port ${port} is taken.`, next })
}

const folderOf = (base: string): string => `/${base}/`.replace(/\/+/g, '/')
const signIn = (address: string): string[] => row('sign in', `${OWNER.username} / ${OWNER.password} at ${address}enter`)

async function blog({ port = 4101, standing = 'first-run', base, mail }: Flags): Promise<void> {
  const site = standInBlog({ standing, base: folderOf(base), owner: OWNER, mail })
  const address = await site.listen(port).catch(taken(port))
  const setUp = standing === 'fresh' || standing === 'in-use'
  await running([heading(address), ...row('standing', standing), ...(setUp ? signIn(address) : [])], site)
}

async function forum({ port = 4102, standing = 'fresh', base, mail }: Flags): Promise<void> {
  if (standing !== 'fresh' && standing !== 'in-use')
    throw UnpackError.of('command-line-wrong', {
      what: 'A stand-in forum is installed with its owner: it is fresh, or in-use.',
      next: 'Leave --standing out, or name one of them.',
    })
  const site = standInForum({ standing, base: folderOf(base), owner: OWNER, mail })
  const address = await site.listen(port).catch(taken(port))
  await running([heading(address), ...row('standing', standing), ...signIn(address)], site)
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
