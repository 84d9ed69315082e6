import type { Dispatcher } from 'undici'
import { addressText, parseAddress, type SiteAddress } from '../core/address.js'
import { UnpackError } from '../core/errors.js'
import type { Failure, Findings, Verdict } from '../core/findings.js'
import { judge } from '../core/judge.js'
import { emit } from './events.js'
import type { System } from '../systems/system.js'
import { connections } from '../web/connections.js'
import { Deadline } from '../web/deadline.js'
import { NoAnswer } from '../web/failure.js'
import { Traffic } from '../web/traffic.js'
import { Visitor } from '../web/visitor.js'
import type { SurveyOptions } from './options.js'
import { call } from './call.js'
import { variantsOf } from './variants.js'

/** Milliseconds within which a survey ends, whatever answers there. */
const WHOLE = 30_000

/** What stands at an address, as far as it is told from outside. */
export interface Surveyed extends Verdict {
  findings: Findings
  /** Where the site is. */
  address: SiteAddress
  system?: System
  requests: number
}

/**
 * Looks at an address from outside, as anybody could, and judges what stands there. Writes nothing.
 * @param address a whole http or https address
 * @returns findings and verdict; no answer is a finding too, and never thrown
 * @throws UnpackError `address-wrong`
 * @example (await survey('http://127.0.0.1:4101/')).standing // 'first-run'
 */
export const survey = (address: string, options: SurveyOptions = {}): Promise<Surveyed> =>
  call(async (guard) => {
    guard.add(options.door?.password)
    const asked = parseAddress(address)
    if (!asked) throw UnpackError.of('address-wrong', { address })
    const lines = connections(options.resolve, options.signal)
    try {
      return await lookFrom(asked, lines, options)
    } finally {
      await lines.close()
    }
  })

async function lookFrom(asked: SiteAddress, lines: Dispatcher, options: SurveyOptions): Promise<Surveyed> {
  const traffic = new Traffic(options.watch)
  const whole = new Deadline(WHOLE, options.signal)
  const { signal } = whole
  emit(options.on, { is: 'phase', phase: 'survey', text: addressText(asked) })
  const visitor = new Visitor(asked, lines, traffic, {
    signal,
    roams: true,
    door: options.door,
    patience: options.patience,
  })
  const variants = variantsOf(asked, lines, traffic, signal)
  const findings: Findings = {
    asked: addressText(asked),
    address: addressText(asked),
    hops: [],
    inner: [],
    variants: [],
  }
  let system: System | undefined
  try {
    const front = await visitor.get('/')
    const landed = siteOf(front.url)
    const door = landed.origin === asked.origin ? options.door : undefined
    const here = new Visitor(landed, lines, traffic, { signal, roams: true, door, patience: options.patience })
    // most of the code is for what answers: where nothing does, it is not loaded
    const { lookClosely } = await import('./look-closely.js')
    for await (const seen of lookClosely(front, asked, here, options.systems)) {
      Object.assign(findings, seen.findings)
      system = seen.system
    }
  } catch (error) {
    const failure = error instanceof NoAnswer ? error.failure : failureIn(error, whole, options.signal)
    if (!failure) throw error
    findings.failure = failure
  }
  findings.variants = await variants
  whole.end()
  return {
    ...judge(findings),
    findings,
    address: parseAddress(findings.address) ?? asked,
    system,
    requests: traffic.requests,
  }
}

/** What ended the survey before its end: its own limit of time, or a page that is like no other. */
function failureIn(error: unknown, whole: Deadline, stop?: AbortSignal): Failure | undefined {
  if (!(error instanceof UnpackError)) return undefined
  if (error.code === 'stopped' && whole.isOver && !stop?.aborted) return whole.failure
  return error.code === 'answer-too-large' || error.code === 'link-broken'
    ? { kind: 'not to be read', text: error.message }
    : undefined
}

/** The folder of a page's address. */
function siteOf(url: string): SiteAddress {
  const { origin, pathname } = new URL(url)
  return { origin, base: pathname.replace(/[^/]*$/, '') }
}
