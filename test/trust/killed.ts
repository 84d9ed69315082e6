import { spawn, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import { Secret, LoginsFile } from 'unpack'
import { root } from '../help/root.js'
import { PASSPHRASE } from '../help/sites.js'
import { examine, heal } from './attempt.js'
import { some } from './chance.js'
import { straight } from './faults.js'
import { emptyTally, type Tally } from './tally.js'
import type { World } from './world.js'

const main = join(root, 'dist/src/cli/main.js')

/** Settles from the command line, as a process of its own that can die. */
function settling(world: World, plan: string, folder: string): ChildProcess {
  const { state, records } = world.options
  const env = { ...process.env, NODE_OPTIONS: '', UNPACK_PASSPHRASE: PASSPHRASE, UNPACK_STATE: state }
  const mail = world.mails === undefined ? [] : ['--mail-folder', world.mails]
  const args = [
    'settle',
    plan,
    '--yes',
    '--at',
    world.address,
    '--logins',
    world.options.logins.file,
    '--record',
    records,
    '--no-confirm',
    ...mail,
  ]
  return spawn(process.execPath, [main, ...args], { cwd: folder, env, stdio: 'ignore' })
}

/** Points at which a run can die: before a request reaches the site, and when the site has answered and nobody has heard it. */
export interface Point {
  number: number
  when: 'before' | 'after'
}

/**
 * A run that is killed at each point of a straight run, on a site of its own; the next run goes on and ends where a straight
 * run ends.
 */
export async function killed(
  make: () => Promise<World>,
  plan: string,
  folder: string,
  random: () => number,
  most = Infinity,
): Promise<Tally> {
  const { requests, wanted } = await straight(make)
  const points = requests.flatMap(({ number }): Point[] => [
    { number, when: 'before' },
    { number, when: 'after' },
  ])
  const tally = emptyTally()
  const chosen = some(points, most, random)
  tally.cases = { tried: chosen.length, of: points.length }
  for (const { number, when } of chosen) {
    const world = await make()
    const what = `killed ${when} request ${number} (${requests[number - 1]?.line ?? ''})`
    await keyed(world)
    world.proxy.trouble([])
    const child = world.spawn?.() ?? settling(world, plan, folder)
    const ended = new Promise((resolve) => child.once('close', resolve))
    world.proxy.watch = (at, now) => {
      if (at === number && now === when) child.kill('SIGKILL')
    }
    await ended
    world.proxy.watch = undefined
    tally.runs += 1
    examine(world, tally, what)
    // what the dead run has stored is on disk
    const logins = await LoginsFile.open(world.options.logins.file, new Secret(PASSPHRASE))
    await heal({ ...world, options: { ...world.options, logins } }, wanted, tally, what)
    await world.close()
  }
  return tally
}

/** A logins file with a key that opens fast: one that the command line makes opens slowly, on purpose. */
async function keyed(world: World): Promise<void> {
  const { logins } = world.options
  const away = 'http://nowhere.example/'
  await logins.put(away, 'nobody', new Secret('nothing to see here'))
}
