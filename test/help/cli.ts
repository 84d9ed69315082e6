import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { root } from './root.js'

const main = join(root, 'dist/src/cli/main.js')

export interface Ran {
  exit: number | null
  out: string
  err: string
}

/** Runs the built command line, without a terminal, as a script would. */
export function unpack(
  args: readonly string[],
  options: { env?: Record<string, string>; cwd?: string; input?: string; abortAt?: RegExp } = {},
): Promise<Ran> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, [main, ...args], {
      cwd: options.cwd,
      env: { ...process.env, NO_COLOR: '1', NODE_OPTIONS: '', ...options.env },
      stdio: ['pipe', 'pipe', 'pipe'],
    })
    let out = ''
    let err = ''
    let stopped = false
    child.stdout.setEncoding('utf8').on('data', (text: string) => (out += text))
    child.stderr.setEncoding('utf8').on('data', (text: string) => {
      err += text
      if (!stopped && options.abortAt?.test(err)) stopped = child.kill('SIGINT')
    })
    child.stdin.end(options.input ?? '')
    child.on('close', (exit) => {
      resolve({ exit, out, err })
    })
  })
}
