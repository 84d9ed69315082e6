/**
 * Start: how long help takes beside Node’s own start, and a survey of an address where nothing listens; time and peak memory,
 * median of nine rounds. `npm run bench:start [-- FOLDER]` pairs it with another checkout that was built.
 */
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { root } from '../test/help/root.js'
import { median } from './measure.js'

const ROUNDS = 9
const [other] = process.argv.slice(2)
const places = [{ name: 'here', folder: root }, ...(other === undefined ? [] : [{ name: 'there', folder: other }])]
const commands = [
  { name: 'help', args: ['--help'] },
  // the discard port: nobody answers on it
  { name: 'survey', args: ['survey', 'http://127.0.0.1:9/'] },
]
const telling = `data:text/javascript,process.on('exit',()=>process.stderr.write('peak '+process.resourceUsage().maxRSS+' '))`

interface Taken {
  seconds: number
  mebibytes: number
}
function timed(args: readonly string[]): Taken {
  const began = performance.now()
  const { stderr } = spawnSync(process.execPath, ['--import', telling, ...args], { encoding: 'utf8' })
  const seconds = (performance.now() - began) / 1000
  return { seconds, mebibytes: Number(/peak (\d+)/.exec(stderr)?.[1]) / 1024 }
}

const runs = [
  { name: 'node -e 0', args: ['-e', '0'] },
  ...places.flatMap(({ name: place, folder }) =>
    commands.map(({ name, args }) => ({
      name: `${name}, ${place}`,
      args: [join(folder, 'dist/src/cli/main.js'), ...args],
    })),
  ),
]
const taken = new Map<string, Taken[]>(runs.map(({ name }) => [name, []]))
for (let round = 0; round < ROUNDS; round += 1) for (const { name, args } of runs) taken.get(name)?.push(timed(args))

const bare = median((taken.get('node -e 0') ?? []).map(({ seconds }) => seconds))
for (const [name, all] of taken) {
  const seconds = median(all.map((one) => one.seconds))
  const memory = median(all.map((one) => one.mebibytes))
  process.stdout.write(
    `${name.padEnd(14)} ${seconds.toFixed(2)} s, ${(seconds / bare).toFixed(2)} times node, ${memory.toFixed(0)} MiB\n`,
  )
}
