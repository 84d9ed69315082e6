import { standInBlog, type StandInOptions } from '../../../stand-ins/blog/server/index.js'
import { UnpackError } from '../../core/errors.js'
import { heading, row } from '../show/layout.js'
import { untilStopped } from '../until-stopped.js'

/** Who owns a stand-in that is set up already; printed when it starts, since it guards nothing. */
const OWNER = { username: 'boss', password: 'harbour-light-41' }

interface Flags {
  port: number
  standing: StandInOptions['standing']
  base: string
}

export async function standIn(_kind: string, flags: Flags): Promise<void> {
  const { port, standing } = flags
  const blog = standInBlog({ standing, base: `/${flags.base}/`.replace(/\/+/g, '/'), owner: OWNER })
  const address = await blog.listen(port).catch(() => {
    const next = 'Name another with --port, or --port 0 for any.'
    throw UnpackError.of('command-line-wrong', { what: `Port ${port} is taken.`, next })
  })
  const setUp = standing === 'fresh' || standing === 'in-use'
  const login = setUp ? row('sign in', `${OWNER.username} / ${OWNER.password} at ${address}enter`) : []
  const lines = [heading(address), ...row('standing', standing), ...login, ...row('', 'Ctrl-C ends it.')]
  process.stdout.write(`${lines.join('\n')}\n`)
  await untilStopped()
  await blog.close()
}
