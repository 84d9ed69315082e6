import { between } from '../lives/page.js'
import { counts, words, type Tally } from './tally.js'

export interface Result {
  name: string
  about: string
  tally: Tally
  /** How long it took. */
  seconds: number
}

/** How many of how many were tried. */
const casesOf = ({ cases: { tried, of }, runs }: Tally): string =>
  of === 0 ? String(runs) : tried === of ? `all ${of}` : `${tried} of ${of}`

/** The page that says what was tried, and what came of it. */
export function pageOf(results: readonly Result[], { date, seed }: { date: string; seed: number }): string {
  const cells = (values: readonly string[]) => `| ${values.join(' | ')} |`
  const minutes = Math.round(results.reduce((all, { seconds }) => all + seconds, 0) / 60)
  return [
    '# What was tried to break it',
    '',
    `The parts of \`npm run trust\`, run on ${date} with seed ${seed}; they took ${minutes} minutes together. The same seed tries the same.`,
    '',
    cells(['', 'cases tried', ...counts.map((key) => words[key])]),
    cells(['---', '--:', ...counts.map(() => '--:')]),
    ...results.map(({ name, tally }) => cells([name, casesOf(tally), ...counts.map((key) => String(tally[key]))])),
    cells(['**all**', '', ...counts.map((key) => `**${results.reduce((all, { tally }) => all + tally[key], 0)}**`)]),
    '',
    ...results.map(({ name, about }) => `- **${name}**: ${about}.`),
    '',
    'A run counts as *lost* when something of somebody’s is gone or changed, as *twice* when a planned thing stands there more than once, as *let in* when a',
    'stranger may more than before, as *wrong but said right* when it says that all is settled and it is not, as *hung* after two minutes, as *crashed* when it ends in anything',
    'but an owner’s words. The next run, without trouble, has to end where a run ends that had none.',
    '',
    between('## Lives', '## Trying a fault by hand'),
    '',
    '## Trying a fault by hand',
    '',
    'A stand-in can be started behind a server that troubles what passes by:',
    '',
    '```',
    'unpack stand-in blog --faults faults.json',
    '```',
    '',
    '`faults.json` is a list. `at` is the number of a request, or an expression that its line has to match; `times` is how often (behind a number: when the same request comes again), once where it is left out.',
    '',
    '```json',
    '[{ "at": 12, "is": "503" }, { "at": "GET /office/pages", "is": "cut", "times": 2 }]',
    '```',
    '',
    'What may befall a request: `refused`, `reset before` and `reset after` the site did it, `429 number`, `429 date`, `500`, `502`, `503`, `empty`, `drip`, `cut`, `other type`,',
    '`log-in page`, `other screen`, `session ended`, `token refused`, `permission missing`, `field gone`.',
    '',
  ].join('\n')
}
