import { untilStopped } from '../until-stopped.js'

/** The whole job on a stand-in, as if somebody had just installed it. */
export async function demo(kind: 'blog' | 'forum' | undefined, flags: { keep?: boolean }): Promise<void> {
  const play = kind === 'forum' ? (await import('./demo/forum.js')).forum : (await import('./demo/blog.js')).blog
  const { address, close } = await play(flags.keep ?? false)
  try {
    if (!flags.keep) return
    process.stdout.write(`\nThe site stays up at ${address} until Ctrl-C.\n`)
    await untilStopped()
  } finally {
    await close()
  }
}
