import { load } from 'cheerio'
import { bad, good, unseen, type Look } from './look.js'
import { allLinks, closedTo, folded, navigations } from './parts.js'

interface LinksLook {
  look: 'links'
  labels: readonly string[]
  anyOrder?: true
  /** Where they have to stand; else anywhere. */
  within?: 'navigation'
}

/** Whether visitors find links with these labels, in this order. */
export const links: Look<LinksLook> = async ({ labels, anyOrder = false, within }, { place, visit }) => {
  const answer = await visit(place)
  const closed = closedTo(answer)
  if (closed) return closed
  const $ = load(answer.text)
  const lists = within === undefined ? [allLinks($)] : navigations($)
  if (lists.length === 0) return unseen(`${answer.url} does not mark a navigation`)
  const lacking = lists.map((texts) => firstLacking(labels, texts, anyOrder))
  if (lacking.includes(undefined)) return good(answer.url)
  // of several navigations, the one that has the most of them
  const [nearest] = lacking.toSorted((a, b) => (b ?? 0) - (a ?? 0))
  const where = within === undefined ? `${answer.url} has` : `no navigation on ${answer.url} has`
  return bad(
    `${where} ${within === undefined ? 'no' : 'a'} link “${labels[nearest ?? 0] ?? ''}”${nearest && !anyOrder ? ' behind those before it' : ''}`,
  )
}

/** Which label is the first that is not there, or not behind those before it. */
function firstLacking(labels: readonly string[], texts: readonly string[], anyOrder: boolean): number | undefined {
  let from = 0
  for (const [index, label] of labels.entries()) {
    const at = texts.indexOf(folded(label), from)
    if (at < 0) return index
    if (!anyOrder) from = at + 1
  }
  return undefined
}
