import { join } from 'node:path'
import type { Baseline } from '../../../core/baseline/schema.js'
import { Secret } from '../../../core/secret.js'
import { compareSite } from '../../../engine/compare.js'
import { confirm } from '../../../engine/confirm.js'
import type { RunOptions } from '../../../engine/options.js'
import { chooseAll, settle, type Settled } from '../../../engine/settle.js'
import { survey } from '../../../engine/survey.js'
import { LoginsFile } from '../../../logins/file.js'
import { packageFolder } from '../../../package.js'
import { baselineFile } from '../../../disk/baseline-file.js'
import { interrupted } from '../../interrupted.js'
import { systemsFor } from '../../systems-for.js'
import { checkSummary } from '../../show/checks.js'
import { compareLines } from '../../show/compare.js'
import { eyesBlock } from '../../show/eyes.js'
import { heading, row } from '../../show/layout.js'
import { progress } from '../../show/progress.js'
import { isAsPlanned, settleLines } from '../../show/settle.js'
import { surveyLines } from '../../show/survey.js'

/** The demo's own logins hold nothing worth hiding: its passphrase stands here for everybody to read. */
const PASSPHRASE = 'demo'

const GONE = 'The site is gone again, with its passwords and its report. With --keep, all of it stays to look at.'

/** Where a demo plays: a folder of its own, and the acts that every demo has. */
export class Stage {
  #act = 0
  private constructor(
    readonly address: string,
    readonly file: string,
    readonly baseline: Baseline,
    readonly keep: boolean,
    readonly options: RunOptions & { logins: LoginsFile },
  ) {}

  /** @param world the demo's folder: `repair-cafe` */
  static async open(world: string, address: string, keep: boolean, folder: string): Promise<Stage> {
    const file = join(packageFolder(), 'demo', world, 'baseline.yaml')
    return new Stage(address, file, baselineFile(file, address), keep, {
      systems: await systemsFor(),
      signal: interrupted(),
      state: join(folder, 'state'),
      records: keep ? undefined : join(folder, 'unpack-record'),
      logins: await LoginsFile.open(join(folder, 'logins.json'), new Secret(PASSPHRASE), 12),
      on: progress(),
    })
  }

  say(...lines: string[]): void {
    process.stdout.write(`${lines.join('\n')}\n`)
  }
  act(title: string, ...lines: string[]): void {
    this.#act += 1
    this.say('', heading(`${this.#act}  ${title}`), ...lines)
  }

  async survey(title: string): Promise<void> {
    this.act(title, '', ...surveyLines(await survey(this.address, { systems: this.options.systems })))
  }

  /** Compare, settle and confirm, as an owner would; then where everything is to be found. */
  async play(more: Partial<RunOptions>, compared: string, confirmed: string, next: readonly string[]): Promise<void> {
    const options = { ...this.options, ...more }
    this.act(compared, '', ...compareLines(await compareSite(this.baseline, options), this.address))
    this.act('Settle', '')
    const settled = await settle(this.baseline, { ...options, confirm: false, choose: chooseAll })
    this.say(...settleLines(settled, false))
    this.act(confirmed)
    const { checks, eyes, failed } = await confirm(this.baseline, options)
    this.say(...eyesBlock(eyes), '', checkSummary(checks), '')
    process.exitCode = isAsPlanned(settled) && failed === 0 ? 0 : 1

    this.say(
      ...(this.keep ? this.#where(settled) : row('', GONE, 0)),
      '',
      heading('Try next'),
      ...next.flatMap((line) => row('', line)),
    )
  }

  /** Where everything is to be found while the site stays up. */
  #where({ site: { address, dashboard, username }, record = '' }: Settled): string[] {
    const logins = this.options.logins.file
    return [
      heading('There it is'),
      ...row('site', address),
      ...row('dashboard', `${dashboard}, as ${username}`),
      ...row(
        'password',
        `UNPACK_PASSPHRASE=${PASSPHRASE} npx unpack logins show ${address} ${username} --logins ${logins}`,
      ),
      ...row('report', join(record, 'report.html')),
      ...row('baseline', this.file),
    ]
  }
}
