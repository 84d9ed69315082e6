import type { AnyDifference } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import type { Secret } from '../core/secret.js'
import type { Carrier, Carried, Step } from '../systems/step.js'
import type { Session } from '../systems/system.js'
import { fill, refsIn, unknownIn, type Known } from './fill.js'

export interface CarryOptions {
  session: Session
  /** Ids and addresses that are known already, by ref; what is made adds to them. */
  known: Known
  secrets: Readonly<Record<string, Secret>>
  /** Called before a request that carries these steps, and after it. */
  before(carrier: Carrier<unknown>, steps: readonly Step[]): void | Promise<void>
  after(carrier: Carrier<unknown>, steps: readonly Step[], outcomes: readonly Carried[]): void | Promise<void>
  /** Follows a mail that the site has sent; gives what is left to do, if something is. */
  answerMail?(to: string, since: Date): Promise<string | undefined>
  /** Called with a screen that was not as expected. */
  strange?(error: UnpackError): void
}

/** Why a step could not go: something it needs was refused, or nothing makes what it needs. */
export type Held = { lost: string } | { never: string }

/**
 * Carries steps out: each carrier gets as many ready ones at once as it takes. One that takes several waits as long as
 * another carrier's work would make more of its own steps ready.
 * @returns the steps that could not go, with what they lack
 * @throws UnpackError `steps-in-a-circle`, before the first write
 */
export async function carry(steps: readonly Step[], options: CarryOptions): Promise<Map<Step, Held>> {
  const pending = new Set(steps)
  const held = new Map<Step, Held>()
  refuseCircles(steps, options.known)
  const refused = new Set<string>()
  while (pending.size > 0) {
    for (const step of pending) {
      const lost = needs(step).find((ref) => refused.has(ref))
      if (lost === undefined) continue
      held.set(step, { lost })
      pending.delete(step)
      if (step.more.gives !== undefined) refused.add(step.more.gives)
    }
    const carrier = nextCarrier([...pending], options.known)
    if (!carrier) {
      // nothing that is left can ever be made ready
      for (const step of pending) held.set(step, { never: unmet(step, options.known).join(', ') || 'another step' })
      break
    }
    const load = [...pending]
      .filter((step) => step.carrier === carrier && isReady(step, pending, options.known))
      .slice(0, carrier.atOnce)
    await options.before(carrier, load)
    const outcomes = await carried(carrier, load, options)
    for (const [index, step] of load.entries()) {
      const outcome = outcomes[index] ?? { refused: 'no answer' }
      pending.delete(step)
      const { gives } = step.more
      if (gives === undefined) continue
      if (outcome.refused !== undefined) refused.add(gives)
      else {
        if (outcome.id !== undefined) options.known.ids.set(gives, outcome.id)
        if (outcome.address !== undefined) options.known.addresses.set(gives, outcome.address)
      }
    }
    await options.after(carrier, load, outcomes)
  }
  return held
}

/** What a step lacks that nothing here gives. */
const unmet = (step: Step, known: Known): string[] => [...unknownIn(step.fields, known), ...(step.more.after ?? [])]

/** A screen that is not as expected stops what needs it, and nothing else. */
async function carried(carrier: Carrier<unknown>, load: readonly Step[], options: CarryOptions): Promise<Carried[]> {
  const since = new Date()
  try {
    const outcomes = await carrier.carry(
      load.map((step) => fill(step.fields, options.known, options.secrets)),
      options.session,
    )
    return await answered(outcomes, since, options)
  } catch (error) {
    if (!(error instanceof UnpackError) || error.code !== 'screen-unexpected') throw error
    options.strange?.(error)
    return load.map(() => ({ refused: error.message }))
  }
}

/** Where the site wants a link in a mail opened first, that is done; what can't be, counts as refused. */
async function answered(outcomes: Carried[], since: Date, { answerMail }: CarryOptions): Promise<Carried[]> {
  const left = new Map<string, string | undefined>()
  for (const { mail } of outcomes)
    if (mail !== undefined && !left.has(mail)) left.set(mail, await answerMail?.(mail, since))
  return outcomes.map((outcome) => {
    const refused = outcome.mail === undefined ? undefined : left.get(outcome.mail)
    return refused === undefined ? outcome : { refused }
  })
}

const needed = new WeakMap<Step, readonly string[]>()
/** The refs that a step needs; its fields are looked through once. */
function needs(step: Step): readonly string[] {
  const refs = needed.get(step) ?? [...refsIn(step.fields), ...(step.more.after ?? [])]
  needed.set(step, refs)
  return refs
}

const isReady = (step: Step, pending: ReadonlySet<Step>, known: Known): boolean =>
  unknownIn(step.fields, known).length === 0 &&
  (step.more.pays === undefined || ![...pending].some((other) => other.more.owes === step.more.pays)) &&
  (step.more.after ?? []).every((ref) => ![...pending].some((other) => other !== step && other.more.gives === ref))

/** The carrier to go next: one that would gain nothing by waiting; else the one that most others wait for. */
function nextCarrier(pending: readonly Step[], known: Known): Carrier<unknown> | undefined {
  const all = new Set(pending)
  const ready = pending.filter((step) => isReady(step, all, known))
  const carriers = [...new Set(ready.map(({ carrier }) => carrier))]
  const givenBy = (ref: string) => pending.find(({ more }) => more.gives === ref)?.carrier
  const waitsForOthers = (carrier: Carrier<unknown>) =>
    carrier.atOnce > 1 &&
    pending.some(
      (step) =>
        step.carrier === carrier &&
        !ready.includes(step) &&
        needs(step).some((ref) => !known.ids.has(ref) && givenBy(ref) !== carrier),
    )
  const waitedFor = (carrier: Carrier<unknown>) =>
    pending.filter((step) => needs(step).some((ref) => givenBy(ref) === carrier)).length
  return carriers.find((carrier) => !waitsForOthers(carrier)) ?? carriers.sort((a, b) => waitedFor(b) - waitedFor(a))[0]
}

function refuseCircles(steps: readonly Step[], { ids }: Known): void {
  const known = new Set(ids.keys())
  let left = [...steps]
  for (;;) {
    const open = left.filter((step) =>
      needs(step).some((ref) => !known.has(ref) && left.some((other) => other !== step && other.more.gives === ref)),
    )
    if (open.length === 0) return
    if (open.length === left.length)
      throw UnpackError.of('steps-in-a-circle', { refs: open.flatMap(({ more }) => more.gives ?? []) })
    for (const step of left) if (!open.includes(step) && step.more.gives !== undefined) known.add(step.more.gives)
    left = open
  }
}

/** The refs of the differences that steps settle. */
export const refsOf = (steps: readonly Step[]): string[] => [
  ...new Set(steps.flatMap(({ more }) => more.proves.map((difference: AnyDifference) => difference.ref as string))),
]
