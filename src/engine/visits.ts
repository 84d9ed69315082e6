import { load } from 'cheerio'
import { SaxesParser } from 'saxes'
import { addressText, placeOn } from '../core/address.js'
import type { Expectation } from '../core/area.js'
import type { Inventory } from '../core/areas/index.js'
import { goesIn } from '../core/baseline/schema.js'
import type { Comparison } from '../core/compare.js'
import { expectations } from '../core/expect.js'
import { foundAt } from '../core/inventory.js'
import type { Check } from '../core/report/report.js'
import { foldSpace, foldTypography, textBlocks } from '../core/text/plain.js'
import type { Answer } from '../web/answer.js'
import { isClosedToRobots } from '../web/robots.js'
import { lookFailure } from './error-of.js'
import type { Run } from './run.js'

/** What came of one look: nothing to complain of, or what was seen instead. */
type Outcome = { ok: true; seen: string } | { ok: false; seen: string }
const good = (seen: string): Outcome => ({ ok: true, seen })
const bad = (seen: string): Outcome => ({ ok: false, seen })

/**
 * Looks at the public site as a visitor: every place once, with fresh eyes.
 * @param inventory where items are to be found; without one, only looks that need no item are taken
 * @param oldPlaces further addresses at which something stood that was to go
 */
export async function visits(
  run: Run,
  comparison: Comparison,
  inventory: Inventory | undefined,
  oldPlaces: readonly string[] = [],
): Promise<Check[]> {
  const { visitor, shelf } = run.site.stranger()
  const visit = (place: string) => shelf.read(placeOn(run.site.address, place), () => visitor.get(place))
  const expected = expectations(comparison.settled, run.baseline).filter(
    ({ at, look }) =>
      look !== 'eyes' &&
      (look !== 'feed' || run.site.system.feed !== undefined) &&
      (inventory !== undefined || typeof at === 'string'),
  )
  const own = run.baseline.checks.flatMap((check) =>
    'shows' in check
      ? [checked(`${check.at} shows “${check.shows}”`, async () => shown(await visit(check.at), [check.shows]))]
      : [],
  )
  return Promise.all([
    ...expected.map((expectation) => checked(expectation.name, () => lookAt(expectation, run, inventory, visit))),
    ...own,
    ...(comparison.others.length === 0
      ? [checked('no text that shipped is left at its old addresses', () => noShippedText(run, visit, oldPlaces))]
      : []),
  ])
}

async function checked(name: string, look: () => Promise<Outcome>): Promise<Check> {
  try {
    const { ok, seen } = await look()
    return { name, as: 'visitor', ok, detail: seen }
  } catch (error) {
    return { name, as: 'visitor', ok: false, detail: lookFailure(error) }
  }
}

type Visit = (place: string) => Promise<Answer>

async function lookAt(
  expectation: Expectation,
  run: Run,
  inventory: Inventory | undefined,
  visit: Visit,
): Promise<Outcome> {
  const { at } = expectation
  const { feed = '/' } = run.site.system
  if (expectation.look === 'feed') return readable(await visit(feed), expectation.most)
  if (expectation.look === 'sign-up') return signUp(run, expectation, visit)
  const found = typeof at === 'string' ? undefined : foundAt(inventory ?? {}, at.ref)
  if (found?.hidden) return good('not to be seen before its time')
  const place = at === 'front' ? '/' : at === 'feed' ? feed : found?.address
  if (place === undefined) return bad('it is not on the site')
  const answer = await visit(place)
  switch (expectation.look) {
    case 'shows':
      return shown(answer, expectation.texts)
    case 'links':
      return linked(answer, expectation.labels, expectation.anyOrder)
    case 'icon':
      return icon(answer, run, visit)
    case 'theme':
      return (run.site.system.wears?.(answer.text, expectation.use) ?? true)
        ? good(answer.url)
        : bad(`${answer.url} looks otherwise`)
    case 'eyes':
      return good(answer.url)
    case 'robots':
      return robots(answer, await visit(new URL('/robots.txt', run.site.home).href), expectation.welcome)
  }
}

/** Whether visitors find links with these labels, in this order. */
function linked(answer: Answer, labels: readonly string[], anyOrder = false): Outcome {
  if (answer.status !== 200) return bad(`${answer.url} answers HTTP ${answer.status}`)
  const $ = load(answer.text)
  const texts = $('a[href]')
    .toArray()
    .map((element) => folded($(element).text()))
  let from = 0
  for (const label of labels) {
    const at = texts.indexOf(folded(label), from)
    if (at < 0) return bad(`${answer.url} has no link “${label}”${from > 0 ? ' behind those before it' : ''}`)
    if (!anyOrder) from = at + 1
  }
  return good(answer.url)
}

async function icon(answer: Answer, run: Run, visit: Visit): Promise<Outcome> {
  const href = load(answer.text)('link[rel~=icon]').first().attr('href')
  if (href === undefined || !URL.canParse(href, answer.url)) return bad(`${answer.url} names no icon`)
  const url = new URL(href, answer.url)
  if (url.origin !== run.site.address.origin) return good(url.href)
  const { status } = await visit(url.href)
  return status === 200 ? good(url.href) : bad(`${url.href} answers HTTP ${status}`)
}

async function signUp(
  run: Run,
  { open, approval, question }: Extract<Expectation, { look: 'sign-up' }>,
  visit: Visit,
): Promise<Outcome> {
  const { signUp: way } = run.site.system
  if (!way) return good('this system has no page for it')
  const answer = await visit(way.place)
  if (way.isOpen(answer) !== open)
    return bad(open ? `${answer.url} lets nobody sign up` : `${answer.url} lets anybody sign up`)
  if (!open) return good(answer.url)
  const waits = way.approval?.(answer)
  if (approval !== undefined && waits !== undefined && waits !== approval)
    return bad(`${answer.url}: a new account waits for ${waits}, not for ${approval}`)
  const asked = question !== undefined && way.question ? way.question.of(await visit(way.question.place)) : question
  return asked === question ? good(answer.url) : bad(`${answer.url} does not ask “${question ?? ''}”`)
}

const folded = (text: string): string => foldSpace(foldTypography(text))

function shown(answer: Answer, texts: readonly string[]): Outcome {
  if (answer.status !== 200) return bad(`${answer.url} answers HTTP ${answer.status}`)
  const sentAway = answer.hops.length > 0 && load(answer.text)('input[type=password]').length > 0
  if (sentAway) return bad(`a log-in page stands in front of the site: visitors are sent to ${answer.url}`)
  const title = load(answer.text)('title').first().text()
  const seen = folded(`${title} ${textBlocks(answer.text).join(' ')}`)
  const missing = texts.filter((text) => !seen.includes(folded(text)))
  return missing.length === 0
    ? good(answer.url)
    : bad(
        `${answer.url} does not show “${(missing[0] ?? '').slice(0, 80)}”${missing.length > 1 ? ` and ${missing.length - 1} more` : ''}`,
      )
}

function robots(front: Answer, rules: Answer, welcome: boolean): Outcome {
  const meta = load(front.text)('meta[name=robots]')
    .toArray()
    .map((element) => element.attribs.content ?? '')
    .join(',')
  const turnedAway =
    /noindex|none/i.test(`${meta},${front.headers['x-robots-tag'] ?? ''}`) ||
    (rules.status === 200 && isClosedToRobots(rules, front.url))
  if (turnedAway === !welcome) return good(front.url)
  return bad(welcome ? `${front.url} turns search engines away` : `${front.url} lets search engines in`)
}

function readable(answer: Answer, most?: number): Outcome {
  if (answer.status !== 200) return bad(`${answer.url} answers HTTP ${answer.status}`)
  let root: string | undefined
  let flaw: string | undefined
  const parser = new SaxesParser()
  let items = 0
  parser.on('opentag', ({ name }) => {
    root ??= name
    if (name === 'item' || name === 'entry') items += 1
  })
  parser.on('error', () => (flaw ??= 'it is not well-formed XML'))
  parser.write(answer.text).close()
  if (flaw !== undefined) return bad(`${answer.url}: ${flaw}`)
  if (root === undefined || !['rss', 'feed', 'rdf:RDF'].includes(root)) return bad(`${answer.url} is XML, but no feed`)
  return most === undefined || items <= most ? good(answer.url) : bad(`${answer.url} holds ${items} posts`)
}

async function noShippedText(run: Run, visit: Visit, oldPlaces: readonly string[]): Promise<Outcome> {
  const places = run.site.system
    .shippedPlaces(run.baseline)
    .filter(({ area }) => goesIn(run.baseline, area))
    .map(({ place }) => place)
  const answers = await Promise.all([...new Set([...places, ...oldPlaces])].map(visit))
  const left = answers.find((answer) => run.site.system.showsShippedText(answer.text, addressText(run.site.address)))
  return left
    ? bad(`${left.url} still shows a text that shipped`)
    : good(answers.length === 1 ? 'one address' : `${answers.length} addresses`)
}
