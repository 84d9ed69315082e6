import { load } from 'cheerio'
import { bad, good, notLookedAt, type Look } from './look.js'
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
  if (lists.length === 0) return notLookedAt(`${answer.url} does not mark a navigation`)
  const lacking = lists.map((texts) => firstLacking(labels, texts, anyOrder))
  if (lacking.includes(undefined)) return good(answer.url)
  // of several navigations, the one that has the most of them tells what lacks
  const index = Math.max(...lacking.map((one) => one ?? 0))
  const link = `link “${labels[index] ?? ''}”${index > 0 && !anyOrder ? ' behind those before it' : ''}`
  return bad(within === undefined ? `${answer.url} has no ${link}` : `no navigation on ${answer.url} has a ${link}`)
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
