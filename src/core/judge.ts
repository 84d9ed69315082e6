import type { Findings, PageFacts, Recognised, Verdict } from './findings.js'
import { judgePage } from './judge-page.js'
import { CAME_EARLY } from './shipped.js'
import { verdict } from './verdict.js'

/**
 * Judges what stands at an address, by its structure alone.
 * @param findings what the survey saw
 * @returns the standing, whether it is safe to go on, and why
 * @example judge({ asked: 'http://quay.example/', address: 'http://quay.example/', hops: [], inner: [], variants: [] }).standing // 'nothing'
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
  const early = system.seen
    .filter(({ origin }) => origin === 'came in the first minutes')
    .map(({ ref }) => `${ref} ${CAME_EARLY}`)
  if (others.length === 0)
    return verdict(
      'fresh',
      `this is ${what}, set up`,
      `a visitor sees only what ${early.length > 0 ? 'came' : 'shipped'} with it`,
      ...early,
      ...edited,
    )
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
  if (status === 503)
    return verdict('unknown', 'the server says that it is closed for maintenance, or overloaded (HTTP 503)')
  if (status >= 500)
    return verdict(
      'unknown',
      `the server says that something fails there (HTTP ${status}); often its database can't be reached`,
    )
  if (status >= 300) return verdict('unknown', `the server answers HTTP ${status}`)
  return isPage ? undefined : verdict('unknown', 'the answer is not a page')
}
