import { count } from './text/count.js'
import type { Findings, PageFacts, Verdict } from './findings.js'
import { verdict } from './verdict.js'

/* A page that no system stands behind. What is somebody's and what is the host's is told by structure, in any language. */

/** Letters in sentences above which a single page is somebody's, with a picture and without. */
const SOME_PROSE = 260
const MUCH_PROSE = 480
/** Letters that make a linked page one with something on it. */
const INNER_PAGE = 40
/** Letters in sentences, for each file of the server's that is named, above which a page is about something else. */
const PROSE_A_FILE = 400

/** Judges a page. A placeholder needs a sign of whose it is; what has none is unknown, with what it looks like. */
export function judgePage(front: PageFacts, findings: Findings): Verdict {
  if (front.asksPassword && findings.hops.length > 0)
    return verdict('unknown', 'a log-in page stands in front of it: visitors are sent there')
  if (front.listing) return judgeListing(front.listing.files)
  if (front.weight === 0 && front.pictures === 0 && front.links.length === 0)
    return front.embeds === 0
      ? verdict('blank', 'the page is empty')
      : verdict('unknown', `the page has no text: it is made of scripts, frames or pictures (${front.embeds})`)
  return (
    judgeServers(front) ?? judgeSomebodys(front, findings) ?? judgeHosts(front, findings) ?? unmarked(front, findings)
  )
}

function judgeListing(files: readonly string[]): Verdict {
  if (files.length === 0) return verdict('blank', 'the list of an empty folder')
  return verdict('unknown', `the list of a folder: ${files.slice(0, 5).join(', ')}${files.length > 5 ? ', …' : ''}`)
}

/** A page that is about files on the server's disk speaks to whoever runs the server, not to visitors. */
function judgeServers({ diskPaths, prose }: PageFacts): Verdict | undefined {
  if (diskPaths < 2 || prose > PROSE_A_FILE * diskPaths) return undefined
  return verdict(
    'placeholder',
    `its text names what looks like files on the server's own disk (${diskPaths} times): it speaks to whoever runs the server`,
  )
}

function judgeSomebodys(front: PageFacts, { inner }: Findings): Verdict | undefined {
  const behind = inner.filter(({ status, weight }) => status === 200 && weight >= INNER_PAGE)
  if (behind.length > 0)
    return verdict('in-use', `it links to pages of its own, with text: ${behind.map(({ url }) => url).join(', ')}`)
  if (front.prose >= MUCH_PROSE)
    return verdict('in-use', `its front page holds a good deal of text (${letters(front)})`)
  if (front.prose >= SOME_PROSE && front.pictures > 0)
    return verdict(
      'in-use',
      `its front page holds text (${letters(front)}) and ${count(front.pictures, 'picture')} of its own`,
    )
  return undefined
}

/** The host's: about the address itself, or about other hosts, with nothing of its own. */
function judgeHosts(front: PageFacts, { inner }: Findings): Verdict | undefined {
  if (front.pictures > 0 || front.links.length > 0 || inner.length > 0 || front.prose >= SOME_PROSE) return undefined
  const nothing = 'it has nothing of its own: no picture, no link to another page'
  if (front.namesItself) return verdict('placeholder', 'its title or a heading names its own address', nothing)
  if (front.elsewhere.length === 0) return undefined
  return verdict('placeholder', `its links lead to other hosts: ${front.elsewhere.slice(0, 3).join(', ')}`, nothing)
}

/** Short, and nothing tells whose: what it looks like. */
function unmarked(front: PageFacts, { inner }: Findings): Verdict {
  const { links, pictures } = front
  const looked = inner.map(({ url, status }) => (status === 200 ? url : `${url} (HTTP ${status})`))
  const more = looked.length > 0 ? `: ${looked.join(', ')}` : ''
  return verdict(
    'unknown',
    'a page with few sentences; nothing on it tells whether it is somebody’s own or the host’s',
    `${letters(front)}, ${pictures === 0 ? 'no picture' : count(pictures, 'picture')} of its own, ${links.length === 0 ? 'no link' : `links to ${count(links.length, 'page')}`} of its own${more}`,
  )
}

const letters = ({ letters }: PageFacts): string =>
  letters === 0 ? 'no sentences' : `${count(letters, 'letter')} in sentences`
