import assert from 'node:assert/strict'
import { test } from 'node:test'
import { survey } from 'unpack'
import { serve, type Reply } from '../help/pages.js'

/* Every reason of a survey is held against what the page was made of, not against what the survey counted. */

/** What a page is made of. */
interface Made {
  /** A sentence each, of 30 letters. */
  sentences: number
  pictures: number
  /** Pages of its own, each there with text or not there. */
  pages: ('there' | 'gone')[]
  hosts: string[]
  named: boolean
  files: number
  scripts: number
}

const SENTENCE = 'The kiln takes nine hours to warm up' // 29 letters
const LETTERS = SENTENCE.replaceAll(' ', '').length

function placesOf(made: Made): Record<string, Reply> {
  const many = (count: number, piece: (index: number) => string) =>
    Array.from({ length: count }, (_, index) => piece(index)).join('')
  const body = [
    made.named ? '<h1>127.0.0.1 is for sale</h1>' : '<h1>Kiln</h1>',
    many(made.sentences, () => `<p>${SENTENCE}.</p>`),
    many(made.pictures, (index) => `<img src="/p${index}.png">`),
    made.pages.map((_, index) => `<a href="/page${index}">P</a>`).join(' '),
    made.hosts.map((host) => `<a href="https://${host}/">${host}</a>`).join(' '),
    many(made.files, (index) => `<b>/srv/kiln/f${index}</b> `),
    many(made.scripts, () => '<script src="/kiln.js"></script>'),
  ].join('\n')
  return {
    '/': `<!doctype html><title>Kiln</title><body>${body}</body>`,
    ...Object.fromEntries(
      made.pages.flatMap((page, index) =>
        page === 'there' ? [[`/page${index}`, `<title>P</title><p>${SENTENCE}. ${SENTENCE}.</p>`]] : [],
      ),
    ),
  }
}

/** What each reason says, as what it must be true of. */
const claims: readonly [RegExp, (made: Made, ...found: string[]) => boolean][] = [
  [/names what looks like files on the server's own disk \((\d+) times\)/, ({ files }, n) => files === Number(n)],
  [
    /^it links to pages of its own, with text: (.+)$/,
    ({ pages }, list = '') => list.split(', ').every((url) => pages[Number(/page(\d+)$/.exec(url)?.[1])] === 'there'),
  ],
  [/a good deal of text \((\d+) letters in sentences\)/, ({ sentences }, n) => sentences * LETTERS === Number(n)],
  [
    /holds text \((\d+) letters in sentences\) and (\d+) pictures? of its own/,
    ({ sentences, pictures }, n, m) => sentences * LETTERS === Number(n) && pictures === Number(m),
  ],
  [/^its title or a heading names its own address$/, ({ named }) => named],
  [
    /^its links lead to other hosts: (.+)$/,
    ({ hosts }, list = '') => hosts.length > 0 && list === hosts.slice(0, 3).join(', '),
  ],
  [
    /^it has nothing of its own: no picture, no link to another page$/,
    ({ pictures, pages }) => pictures === 0 && pages.length === 0,
  ],
  [
    /^a page with few sentences; nothing on it tells whether it is somebody’s own or the host’s$/,
    ({ sentences, files }) => sentences < 15 && files < 2,
  ],
  [
    /^(?:no sentences|(\d+) letters in sentences), (no|\d+) pictures? of its own, (?:no link|links to (\d+) pages?) of its own(.*)$/,
    ({ sentences, pictures, pages }, n = '0', m, links = '0', looked = '') =>
      sentences * LETTERS === Number(n) &&
      pictures === Number(m === 'no' ? 0 : m) &&
      pages.length === Number(links) &&
      [...looked.matchAll(/page(\d+)( \(HTTP 404\))?/g)].every(
        ([, index, gone]) => pages[Number(index)] === (gone ? 'gone' : 'there'),
      ),
  ],
]

test('every reason of a survey is true of the page, and a placeholder has a sign', async () => {
  let seed = 41
  const below = (most: number): number => {
    seed = (seed * 1103515245 + 12345) % 2147483648
    return Math.floor((seed / 2147483648) * most)
  }
  const places: Record<string, Reply> = {}
  const { address } = await serve(places)
  const standings = new Map<string, number>()
  for (let round = 0; round < 120; round += 1) {
    const made: Made = {
      sentences: [0, 1, 4, 9, 12, 20][below(6)] ?? 0,
      pictures: [0, 0, 1, 3][below(4)] ?? 0,
      pages: Array.from({ length: [0, 0, 1, 3, 5][below(5)] ?? 0 }, () => (below(3) === 0 ? 'there' : 'gone')),
      hosts: ['ads.example', 'loans.example', 'shoes.example', 'more.example'].slice(0, [0, 0, 1, 4][below(4)]),
      named: below(5) === 0,
      files: [0, 0, 0, 1, 3][below(5)] ?? 0,
      scripts: below(2),
    }
    for (const place of Object.keys(places)) Reflect.deleteProperty(places, place)
    Object.assign(places, placesOf(made))
    const { standing, reasons } = await survey(address)
    standings.set(standing, (standings.get(standing) ?? 0) + 1)
    for (const reason of reasons) {
      const claim = claims.find(([words]) => words.test(reason))
      assert.ok(claim, `no claim is known for: ${reason}`)
      const [, ...found] = claim[0].exec(reason) ?? []
      assert.ok(claim[1](made, ...found), `${reason} is not true of ${JSON.stringify(made)}`)
    }
    const hasOwn = made.pictures > 0 || made.pages.length > 0 || made.sentences >= 9
    if (standing === 'placeholder') assert.ok(made.files >= 2 || !hasOwn, JSON.stringify(made))
    if (standing === 'placeholder') assert.ok(made.files >= 2 || made.named || made.hosts.length > 0, 'a sign')
  }
  for (const standing of ['placeholder', 'in-use', 'unknown'])
    assert.ok((standings.get(standing) ?? 0) > 10, `${standing}: ${standings.get(standing) ?? 0}`)
})
