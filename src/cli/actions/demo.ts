import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { untilStopped } from '../until-stopped.js'

/** The whole job on a stand-in, as if somebody had just installed it. Without `--keep` nothing of it is left. */
export async function demo(kind: 'blog' | 'forum' | undefined, flags: { keep?: boolean }): Promise<void> {
  const play = kind === 'forum' ? (await import('./demo/forum.js')).forum : (await import('./demo/blog.js')).blog
  const folder = mkdtempSync(join(tmpdir(), 'unpack-demo-'))
  const { keep = false } = flags
  try {
    const { address, close } = await play(keep, folder)
    try {
      if (keep) {
        process.stdout.write(`\nThe site stays up at ${address} until Ctrl-C.\n`)
        await untilStopped()
      }
    } finally {
      await close()
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
