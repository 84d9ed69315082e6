import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { standInBlog } from '../../../stand-ins/blog/server/index.js'
import { addressText, parseAddress } from '../../core/address.js'
import { Secret } from '../../core/secret.js'
import { compareSite } from '../../engine/compare.js'
import { confirm } from '../../engine/confirm.js'
import type { RunOptions } from '../../engine/options.js'
import { settle } from '../../engine/settle.js'
import { survey } from '../../engine/survey.js'
import { LoginsFile } from '../../logins/file.js'
import { baselineFile } from '../baseline-file.js'
import { packageFolder } from '../../package.js'
import { checkSummary } from '../show/checks.js'
import { compareLines } from '../show/compare.js'
import { heading, row } from '../show/layout.js'
import { progress } from '../show/progress.js'
import { surveyLines } from '../show/survey.js'
import { interrupted, systemsFor } from '../run-options.js'
import { isAsPlanned, settleLines } from '../show/settle.js'
import { untilStopped } from '../until-stopped.js'

/** The demo's own logins hold nothing worth hiding: its passphrase stands here for everybody to read. */
const PASSPHRASE = 'demo'

export async function demo(flags: { keep?: boolean }): Promise<void> {
  const host = standInBlog({ standing: 'placeholder' })
  const address = await host.listen(4101).catch(() => host.listen(0))
  try {
    await runDemo(host, address, flags.keep ?? false)
    if (!flags.keep) return
    process.stdout.write(`\nThe site stays up at ${address} until Ctrl-C.\n`)
    await untilStopped()
  } finally {
    await host.close()
  }
}

async function runDemo(host: ReturnType<typeof standInBlog>, address: string, keep: boolean): Promise<void> {
  const say = (...lines: string[]) => process.stdout.write(`${lines.join('\n')}\n`)
  const file = join(packageFolder(), 'demo', 'repair-cafe', 'baseline.yaml')
  const baseline = baselineFile(file, address)
  const folder = mkdtempSync(join(tmpdir(), 'unpack-demo-'))
  const loginsFile = join(folder, 'logins.json')
  const systems = await systemsFor()
  const signal = interrupted()

  say(
    '',
    heading('1  The host has not begun yet: a placeholder stands at the address'),
    '',
    ...surveyLines(await survey(address, { systems })),
  )
  host.install()
  say(
    '',
    heading('2  The host has put a blog there: its first-run form waits'),
    '',
    ...surveyLines(await survey(address, { systems })),
  )

  const options: RunOptions = {
    systems,
    signal,
    state: join(folder, 'state'),
    logins: await LoginsFile.open(loginsFile, new Secret(PASSPHRASE), 12),
    on: progress(),
  }
  say(
    '',
    heading('3  Compare: the baseline and what the system ships'),
    '',
    ...compareLines(await compareSite(baseline, options), address),
  )
  say('', heading('4  Settle'), '')
  const settled = await settle(baseline, { ...options, confirm: false })
  say(...settleLines(settled))
  say('', heading('5  Confirm: with fresh eyes, as a visitor and as the owner'))
  const confirmed = await confirm(baseline, options)
  say('', checkSummary(confirmed.checks), '')
  process.exitCode = isAsPlanned(settled) && confirmed.failed === 0 ? 0 : 1

  const site = addressText(parseAddress(address) ?? { origin: address, base: '/' })
  say(
    heading(keep ? 'There it is' : 'There it was: --keep leaves it up'),
    ...row('site', site),
    ...row('dashboard', `${site}enter, as ${baseline.owner.username}`),
    ...row(
      'password',
      `UNPACK_PASSPHRASE=${PASSPHRASE} npx unpack logins show ${site} ${baseline.owner.username} --logins ${loginsFile}`,
    ),
    ...row('report', join(settled.record ?? '', 'report.html')),
    ...row('baseline', file),
    '',
    heading('Try next'),
    ...row('', 'npx unpack demo --keep, then look around on the site'),
    ...row(
      '',
      'npx unpack stand-in blog, and in a second terminal: npx unpack settle with that baseline, changed to your liking',
    ),
    ...row('', 'npx unpack survey with the address of a blog of your own: it only looks'),
  )
}
