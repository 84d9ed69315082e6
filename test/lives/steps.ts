import fc, { type AsyncCommand } from 'fast-check'
import { act, type Numbers } from './deeds.js'
import { calm, type Life, type Run } from './life.js'
import { changePlan } from './planning.js'
import { nth } from './values.js'
import type { Accident } from './wire.js'

/** Something that happens in a life. Whatever went wrong by then ends it. */
class Step implements AsyncCommand<object, Life, true> {
  constructor(
    /** With its numbers, for the report: `plan(1,2,3)`. */
    readonly name: string,
    private readonly happen: (life: Life) => Promise<void> | void,
  ) {}
  check = (): Promise<boolean> => Promise.resolve(true)
  async run(_model: object, life: Life): Promise<void> {
    life.passTime()
    await this.happen(life)
    if (life.troubles.length > 0) throw new Error([...life.story, ...new Set(life.troubles)].join('\n'))
  }
  toString(): string {
    return this.name
  }
}

/** How a run is started, in numbers. */
interface Chosen {
  again: number
  open: number
  inUse: boolean
  accident: Accident | undefined
  meanwhile: { at: number; numbers: Numbers } | undefined
}

function plan(life: Life, numbers: Numbers): void {
  const { plan, ref } = changePlan(life.site, life.plan, numbers)
  life.plan = plan
  life.story.push(`plan: ${ref} ${JSON.stringify(plan.get(ref)) || 'gone'}`)
}
/** Mostly no flags; now and then for everything, or for one ref. */
function runOf(life: Life, { again, open, inUse, accident, meanwhile }: Chosen): Run {
  const ref = (number: number) => nth([...life.plan.keys()], number) ?? 'site'
  const run = {
    again: again % 4 === 1 ? true : again % 4 === 2 ? [ref(again)] : false,
    open: open % 4 === 1 ? [ref(open)] : [],
    inUse,
    ...(accident && { accident }),
    ...(meanwhile && { meanwhile: { at: meanwhile.at, act: () => act(life, meanwhile.numbers, true) } }),
  }
  life.story.push(`   ${JSON.stringify(run)}`)
  return run
}

async function settle(life: Life, chosen: Chosen): Promise<void> {
  life.story.push('settle')
  await life.settle(runOf(life, chosen))
}
async function settleTwice(life: Life): Promise<void> {
  life.story.push('two runs at once')
  await life.settleTwice(calm)
}
/** The plan changes, and a person works on the very thing while the run is under way. */
async function cross(life: Life, planned: Numbers, at: number, numbers: Numbers): Promise<void> {
  plan(life, planned)
  life.story.push(`settle, a person at ${at}`)
  await life.settle({ ...calm, meanwhile: { at, act: () => act(life, numbers, true) } })
}
/** The plan changes, the run is killed while it writes, a person may work on the very thing, and the next run goes on. */
async function crash(life: Life, planned: Numbers, at: number, numbers: Numbers | undefined): Promise<void> {
  plan(life, planned)
  life.story.push(`settle, killed ${at} from its first write`)
  await life.settle({ ...calm, accident: { at, ofWrites: true, kind: 'killed' } })
  if (numbers) act(life, numbers, true)
  life.story.push('settle')
  await life.settle(calm)
}
/** A person edits, the plan is written over it, the person may edit the same again, and the run is undone. */
async function regret(life: Life, first: Numbers, second: Numbers | undefined): Promise<void> {
  act(life, first)
  life.story.push('settle, again: true')
  await life.settle({ ...calm, again: true })
  if (second) act(life, [second[0] % 3, first[1], second[2]])
  life.story.push('undo the last')
  await life.undo(life.records.length - 1, calm)
}
async function undo(life: Life, which: number, chosen: Chosen): Promise<void> {
  life.story.push(`undo ${which % Math.max(1, life.records.length)}`)
  await life.undo(which, runOf(life, { ...chosen, again: 0, open: 0 }))
}
async function confirm(life: Life, isTrial: boolean): Promise<void> {
  life.story.push(isTrial ? 'confirm, with trials' : 'confirm')
  await life.confirm(isTrial)
}
function ship(life: Life): void {
  life.isShippedRemoved = !life.isShippedRemoved
  life.story.push(`plan: shipped: ${life.isShippedRemoved ? 'remove' : 'keep'}`)
}

const number = fc.nat(59)
const numbers = fc.tuple(number, number, number)
const anyRequest = fc.integer({ min: 1, max: 60 })
const kind = fc.constantFrom<Accident['kind'][]>('killed', 'cut', 'refused', 'unheard', 'fails', 'half')
const nowAndThen = { freq: 2, nil: undefined }
const chosen: fc.Arbitrary<Chosen> = fc.record({
  again: number,
  open: number,
  inUse: fc.constantFrom(true, true, true, false),
  accident: fc.option(fc.record({ at: anyRequest, kind }), nowAndThen),
  meanwhile: fc.option(fc.record({ at: anyRequest, numbers }), nowAndThen),
})
const plain: Chosen = { again: 0, open: 0, inUse: true, accident: undefined, meanwhile: undefined }

const planStep = numbers.map((one) => new Step(`plan(${one.join()})`, (life) => plan(life, one)))
const personStep = numbers.map((one) => new Step(`person(${one.join()})`, (life) => act(life, one)))
const plainSettle = fc
  .boolean()
  .map((inUse) => new Step(inUse ? 'settle' : 'settleFresh', (life) => settle(life, { ...plain, inUse })))
const settleStep = chosen.map((one) => new Step(`settle(${JSON.stringify(one)})`, (life) => settle(life, one)))
const undoStep = fc
  .tuple(number, chosen)
  .map(([which, one]) => new Step(`undo(${which},${JSON.stringify(one)})`, (life) => undo(life, which, one)))
const crossStep = fc
  .tuple(numbers, fc.integer({ min: 5, max: 45 }), numbers)
  .map(([plan, at, one]) => new Step(`cross(${plan.join()};${at};${one.join()})`, (life) => cross(life, plan, at, one)))
const crashStep = fc
  .tuple(numbers, fc.integer({ min: 1, max: 6 }), fc.option(numbers, { nil: undefined }))
  .map(
    ([plan, at, one]) =>
      new Step(`crash(${plan.join()};${at};${one?.join() ?? ''})`, (life) => crash(life, plan, at, one)),
  )
const regretStep = fc
  .tuple(numbers, fc.option(numbers, { nil: undefined }))
  .map(([one, two]) => new Step(`regret(${one.join()};${two?.join() ?? ''})`, (life) => regret(life, one, two)))

/** Everything that can happen in a life, in any order. */
export const steps = fc.commands<object, Life, true>(
  [
    ...[planStep, planStep, planStep, personStep, personStep, personStep],
    ...[plainSettle, plainSettle, settleStep, settleStep, crossStep, crashStep, regretStep, undoStep],
    fc.constant(new Step('settleTwice', settleTwice)),
    fc.boolean().map((isTrial) => new Step(isTrial ? 'try' : 'confirm', (life) => confirm(life, isTrial))),
    fc.constant(new Step('ship', ship)),
    fc.constant(new Step('loseState', (life) => life.loseState())),
  ],
  { maxCommands: 24, size: 'max' },
)
