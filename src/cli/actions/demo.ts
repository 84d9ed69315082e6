import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { untilStopped } from '../until-stopped.js'

const plays = {
  blog: async () => (await import('./demo/blog.js')).blog,
  forum: async () => (await import('./demo/forum.js')).forum,
  shop: async () => (await import('./demo/shop.js')).shop,
  content: async () => (await import('./demo/content.js')).content,
}

/** The whole job on a stand-in, as if somebody had just installed it. Without `--keep` nothing of it is left. */
export async function demo(kind: keyof typeof plays = 'blog', flags: { keep?: boolean }): Promise<void> {
  const play = await plays[kind]()
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
