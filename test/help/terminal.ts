import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { stripVTControlCharacters } from 'node:util'
import { root } from './root.js'

const main = join(root, 'dist/src/cli/main.js')
const quoted = (word: string): string => `'${word.replaceAll("'", `'\\''`)}'`

/**
 * Runs the built command line at a terminal, and answers its questions one after another.
 * @param answers what to type once the screen shows a text that was not there at the last answer
 * @returns the exit code, and everything that was on the screen, without colours
 */
export function atTerminal(
  args: readonly string[],
  answers: readonly (readonly [question: RegExp, answer: string])[],
  env: Record<string, string>,
): Promise<{ exit: number | null; screen: string }> {
  return new Promise((resolve) => {
    const command = [process.execPath, main, ...args].map(quoted).join(' ')
    const child = spawn('script', ['-qec', `stty cols 100 rows 40; exec ${command}`, '/dev/null'], {
      env: { ...process.env, NODE_OPTIONS: '', TERM: 'xterm', ...env },
    })
    const left = [...answers]
    let screen = ''
    let answered = 0
    child.stdout.setEncoding('utf8').on('data', (text: string) => {
      screen += stripVTControlCharacters(text)
      const [next] = left
      if (!next || !next[0].test(screen.slice(answered))) return
      left.shift()
      answered = screen.length
      child.stdin.write(`${next[1]}\r`)
    })
    child.on('close', (exit) => {
      resolve({ exit, screen })
    })
  })
}
