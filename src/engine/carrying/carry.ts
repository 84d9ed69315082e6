import type { AnyDifference } from '../../core/areas/index.js'
import { UnpackError } from '../../core/errors.js'
import type { Secret } from '../../core/secret.js'
import type { Carrier, Carried, Step } from '../../systems/step.js'
import type { Session } from '../../systems/session.js'
import { refuseCircles } from './circles.js'
import { fill, type Known } from './fill.js'
import { Pending, type Held } from './pending.js'

export interface CarryOptions {
  session: Session
  /** Ids and addresses that are known already, by ref; what is made adds to them. */
  known: Known
  secrets: Readonly<Record<string, Secret>>
  /** Which of these steps must not be sent after all, and why: asked right before they are. */
  refuses?(steps: readonly Step[]): Promise<ReadonlyMap<Step, string>>
  /** Called before a request that carries these steps, and after it. */
  before(carrier: Carrier<unknown>, steps: readonly Step[]): void | Promise<void>
  after(carrier: Carrier<unknown>, steps: readonly Step[], outcomes: readonly Carried[]): void | Promise<void>
  /** Follows a mail that the site has sent; gives what is left to do, if something is. */
  answerMail?(to: string, since: Date): Promise<string | undefined>
  /** Called with a screen that was not as expected. */
  strange?(error: UnpackError): void
}

/**
 * Carries steps out: each carrier gets as many ready ones at once as it takes. One that takes several waits as long as
 * another carrier's work would make more of its own steps ready.
 * @returns the steps that could not go, with what they lack
 * @throws UnpackError `steps-in-a-circle`, before the first write
 */
export async function carry(steps: readonly Step[], options: CarryOptions): Promise<Map<Step, Held>> {
  const { known } = options
  refuseCircles(steps, known)
  const pending = new Pending(steps, known)
  for (let load = pending.next(); load[0]; load = pending.next()) {
    const { carrier } = load[0]
    const refused = (await options.refuses?.(load)) ?? new Map<Step, string>()
    const going = load.filter((step) => !refused.has(step))
    if (going.length > 0) await options.before(carrier, going)
    const came = going.length > 0 ? await carried(carrier, going, options) : []
    const answers = new Map(going.map((step, index) => [step, came[index]]))
    const outcomes = load.map((step): Carried => answers.get(step) ?? { refused: refused.get(step) ?? 'no answer' })
    const all = load.map((step, index) => ({ step, outcome: outcomes[index] as Carried }))
    for (const { step, outcome } of all) learn(step, outcome, known)
    for (const { step, outcome } of all)
      if (outcome.refused === undefined) pending.done(step)
      else pending.refused(step)
    await options.after(carrier, load, outcomes)
  }
  return pending.held()
}

/** What a step gives goes by its id and address from now on. */
function learn({ more: { gives } }: Step, { id, address }: Carried, known: Known): void {
  if (gives === undefined) return
  if (id !== undefined) known.ids.set(gives, id)
  if (address !== undefined) known.addresses.set(gives, address)
}

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
    // the mail stays in the outcome: it says that the item was made
    return refused === undefined ? outcome : { refused, ...(outcome.mail !== undefined && { mail: outcome.mail }) }
  })
}

/** The refs of the differences that steps settle. */
export const refsOf = (steps: readonly Step[]): string[] => [
  ...new Set(steps.flatMap(({ more }) => more.proves.map((difference: AnyDifference) => difference.ref as string))),
]
