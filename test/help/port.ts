import { randomInt } from 'node:crypto'
import { createServer } from 'node:net'

/**
 * A port of this machine that nobody listens on, below those that the machine gives to outgoing connections: a server that
 * rests for a moment finds it free again. The lab takes its own from 20,000 on.
 */
export async function freePort(): Promise<number> {
  for (;;) {
    const port = randomInt(10_000, 20_000)
    if (await isFree(port)) return port
  }
}

const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(false))
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(true)))
  })
