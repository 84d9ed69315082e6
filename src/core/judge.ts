import type { Findings, PageFacts, Recognised, Standing, Verdict } from './findings.js'

/** Letters above which a single page is somebody's, with a picture and without. */
const SOME_PROSE = 260
const MUCH_PROSE = 480
/** Letters that make a linked page one with something on it. */
const INNER_PAGE = 40

const verdict = (standing: Standing, ...reasons: string[]): Verdict => ({
  standing,
  safe: standing === 'first-run' || standing === 'fresh',
  reasons,
})

/**
 * Judges what stands at an address, by its structure alone.
 * @param findings what the survey saw
 * @returns the standing, whether it is safe to go on, and why
 */
export function judge(findings: Findings): Verdict {
  if (findings.failure) return verdict('nothing', findings.failure.text)
  if (findings.system) return judgeSystem(findings.system)
  const { front } = findings
  if (!front) return verdict('nothing', 'there was no answer')
  return judgeStatus(front) ?? judgePage(front, findings)
}

function judgeSystem(system: Recognised): Verdict {
  const what = `${system.name}${system.version ? ` ${system.version}` : ''}`
  if (system.state === 'broken')
    return verdict('unknown', `this is ${what}, but it does not work: ${system.trouble ?? 'its pages fail'}`)
  if (system.state === 'first-run')
    return verdict('first-run', `this is ${what}, and its first-run form waits to be filled in`)
  if (!system.seen)
    return verdict(
      'unknown',
      `this is ${what}, set up`,
      'it does not show its items to visitors in a form that can be judged; settle judges after signing in',
    )
  const others = system.seen.filter(({ origin }) => origin === "somebody's")
  const edited = system.seen
    .filter(({ origin }) => origin === 'shipped, edited')
    .map(({ ref }) => `${ref} shipped with it and was edited`)
  if (others.length === 0)
    return verdict('fresh', `this is ${what}, set up`, 'a visitor sees only what shipped with it', ...edited)
  return verdict(
    'in-use',
    `this is ${what}, set up`,
    ...others.slice(0, 5).map(({ ref }) => `${ref} is somebody's own`),
    ...(others.length > 5 ? [`and ${others.length - 5} more`] : []),
  )
}

function judgeStatus({ status, isPage }: PageFacts): Verdict | undefined {
  if (status === 401 || status === 407)
    return verdict(
      'unknown',
      `a password stands in front of it (HTTP ${status}); Unpack uses it when it is stored: unpack logins add --door`,
    )
  if (status === 403) return verdict('unknown', 'visitors are not let in (HTTP 403)')
  if (status === 404 || status === 410)
    return verdict('unknown', `the server answers that there is no such page (HTTP ${status})`)
  if (status === 503) return verdict('unknown', 'it is closed for maintenance, or overloaded (HTTP 503)')
  if (status >= 500)
    return verdict('unknown', `its own software fails (HTTP ${status}); often its database can't be reached`)
  if (status >= 300) return verdict('unknown', `the server answers HTTP ${status}`)
  return isPage ? undefined : verdict('unknown', 'the answer is not a page')
}

function judgePage(front: PageFacts, findings: Findings): Verdict {
  if (front.asksPassword && findings.hops.length > 0)
    return verdict('unknown', 'a log-in page stands in front of it: visitors are sent there')
  if (front.listing) {
    const { files } = front.listing
    return files.length === 0
      ? verdict('blank', 'an empty list of files')
      : verdict(
          'unknown',
          `a list of files: ${files.slice(0, 5).join(', ')}${files.length > 5 ? ', …' : ''}`,
          'somebody put them there',
        )
  }
  if (front.weight === 0 && front.pictures === 0 && front.links.length === 0)
    return verdict('blank', 'the page is empty')
  // a page that names files on the server's disk speaks to whoever runs the server, not to visitors
  if (front.diskPaths >= 2)
    return verdict(
      'placeholder',
      `its text names files on the server's own disk (${front.diskPaths} times): it speaks to whoever runs the server`,
    )
  const inner = findings.inner.filter(({ status, weight }) => status === 200 && weight >= INNER_PAGE)
  if (inner.length > 0)
    return verdict(
      'in-use',
      `it links to ${inner.length === 1 ? 'another page' : `${inner.length} other pages`} of its own, with text: ${inner.map(({ url }) => url).join(', ')}`,
    )
  if (front.prose >= MUCH_PROSE)
    return verdict('in-use', `its one page holds a good deal of text (${front.prose} letters in sentences)`)
  if (front.prose >= SOME_PROSE && front.pictures > 0)
    return verdict(
      'in-use',
      `its one page holds text (${front.prose} letters in sentences) and ${front.pictures === 1 ? 'a picture' : `${front.pictures} pictures`} of its own`,
    )
  return verdict(
    'placeholder',
    'one short page, and none of its own behind it',
    `${front.prose} letters in sentences, ${front.pictures === 0 ? 'no picture' : `${front.pictures} of its own pictures`}`,
  )
}
