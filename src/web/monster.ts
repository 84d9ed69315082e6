import { MOST } from './limits.js'

const voids = new Set('area base br col embed hr img input link meta source track wbr'.split(' '))

/**
 * Why a page is not taken apart: it has more elements than any honest one, or they lie deeper in each other. Taking such a
 * page apart would take minutes, or all the memory.
 * @returns what there is too much of; `undefined` where there is not
 */
export async function tooMuchOf(html: string): Promise<string | undefined> {
  if (!/^[^<]*</.test(html) || fewTags(html)) return undefined
  const { Parser } = await import('htmlparser2')
  let elements = 0
  let depth = 0
  let found: string | undefined
  const parser = new Parser({
    onopentagname(name) {
      elements += 1
      if (!voids.has(name)) depth += 1
      if (elements > MOST.elements) found = `${MOST.elements} elements`
      else if (depth > MOST.depth) found = `${MOST.depth} elements in each other`
      if (found !== undefined) parser.pause()
    },
    onclosetag(name) {
      if (!voids.has(name)) depth -= 1
    },
  })
  // piece by piece, so that a monster is left at once
  for (let at = 0; at < html.length && found === undefined; at += 65_536) parser.write(html.slice(at, at + 65_536))
  parser.reset()
  return found
}

/** A page can't lie deeper than it has tags. */
function fewTags(html: string): boolean {
  let tags = 0
  for (let at = html.indexOf('<'); at >= 0 && tags <= MOST.depth; at = html.indexOf('<', at + 1)) tags += 1
  return tags <= MOST.depth
}
