import fc from 'fast-check'
import { filesNamed, mistakesIn, readBaseline, UnpackError } from 'unpack'
import { demoText } from '../help/demo.js'
import { watchersText } from '../help/watchers.js'
import { count, emptyTally, type Tally } from './tally.js'

const SECRET = 'Xq7-anemone-%41"ü'
/** Milliseconds for one file. */
const SLOW = 5_000

const pieces = fc.constantFrom(
  ...[
    '&a ',
    '*a ',
    '[',
    ']',
    '{',
    '}',
    '- ',
    '? ',
    ': ',
    '!!str ',
    '!!binary ',
    '<<: ',
    '|\n',
    '>\n',
    '"',
    "'",
    '#',
    '\t',
    '\0',
    '\u001b[2J',
  ],
  ...[
    '\u202e',
    '\ufeff',
    'null',
    '~',
    '.nan',
    '.inf',
    '0x',
    '1e999',
    '2026-03-05',
    'true',
    'no',
    '__proto__',
    'constructor',
    '../../etc/passwd',
  ],
  ...[
    '/dev/zero',
    'http://[bad',
    'http://x.example/%ff',
    'unpack: 2',
    'password: ' + SECRET,
    `{{ ${SECRET} }}`,
    '\r\n',
    '---\n',
    '...\n',
    '%YAML 1.3\n',
  ],
)
/** One change of a text: something put in, taken out, twice there, or moved. */
const change = fc.oneof(
  fc.record({ is: fc.constant('in' as const), at: fc.nat(1e6), text: fc.oneof(pieces, fc.string({ maxLength: 6 })) }),
  fc.record({ is: fc.constant('out' as const), at: fc.nat(1e6), size: fc.nat(60) }),
  fc.record({ is: fc.constant('twice' as const), at: fc.nat(1e6), size: fc.nat(200) }),
  fc.record({ is: fc.constant('indent' as const), at: fc.nat(1e6), size: fc.nat(9) }),
)
type Changed = typeof change extends fc.Arbitrary<infer T> ? T : never

function changed(text: string, one: Changed): string {
  const at = one.at % (text.length + 1)
  switch (one.is) {
    case 'in':
      return text.slice(0, at) + one.text + text.slice(at)
    case 'out':
      return text.slice(0, at) + text.slice(at + one.size)
    case 'twice':
      return text.slice(0, at + one.size) + text.slice(at, at + one.size) + text.slice(at + one.size)
    case 'indent': {
      const line = text.lastIndexOf('\n', at) + 1
      return text.slice(0, line) + ' '.repeat(one.size) + text.slice(line).replace(/^ +/, '')
    }
  }
}

/** Baselines with a secret in a wrong place and small changes all over: each is read or refused, fast, and quotes no secret. */
export function badFiles(seed: number, most: number): Tally {
  const tally = emptyTally()
  const texts = [demoText, watchersText].map((text) => text.replace('password: made', `password: ${SECRET}`))
  const mutant = fc.tuple(
    fc.constantFrom(...texts, ...texts.map((text) => text.replace(SECRET, 'made'))),
    fc.array(change, { minLength: 1, maxLength: 6 }),
  )
  for (const [text, changes] of fc.sample(mutant, { seed, numRuns: most })) {
    tally.runs += 1
    const file = changes.reduce(changed, text)
    const began = performance.now()
    try {
      filesNamed(file)
      const told = mistakesIn(file, {}, 'plan.yaml').map((one) => JSON.stringify(one))
      if (told.some((line) => line.includes('anemone'))) count(tally, 'leaked', JSON.stringify(changes))
      readBaseline(file, {}, 'plan.yaml')
    } catch (error) {
      if (!(error instanceof UnpackError) || error.code === 'fault')
        count(tally, 'crashed', `${String(error)}: ${JSON.stringify(changes)}`)
      else if ([error.message, ...error.lines].some((line) => line.includes('anemone')))
        count(tally, 'leaked', JSON.stringify(changes))
    }
    if (performance.now() - began > SLOW) count(tally, 'hung', JSON.stringify(changes))
  }
  return tally
}
