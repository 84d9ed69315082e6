import assert from 'node:assert/strict'
import { join } from 'node:path'
import type { TestContext } from 'node:test'
import { chooseAll, settle, undo, type Baseline, type Comparison, type RunOptions, type SettleOptions } from 'unpack'

/** An item of a plan, with the two values that sequences work on. */
export interface Item {
  text: string
  /** Another key: a title, a price, a lock. */
  other: string
}

/** A site, stand-in or real, on which a person works by hand. All of it is about one item at a time, by its name. */
export interface Ground {
  options: RunOptions & { state: string }
  /** The two values of the other key. */
  others: readonly [string, string]
  plan(name: string, item: Item): Baseline
  ref(name: string): string
  /** The ref under which its readers are reported. */
  readers(name: string): string
  read(name: string): Promise<(Item & { isOpen: boolean }) | undefined>
  /** A person rewrites its text. */
  write(name: string, text: string): Promise<void>
  /** A person takes it back, so that visitors no longer see it. */
  close(name: string): Promise<void>
}

const [planned, replanned, byHand, later] = ['Low water.', 'High water.', 'By hand.', 'Later, by hand.']
const everyRun = { confirm: false, inUse: true, choose: chooseAll }
const run = (ground: Ground, name: string, item: Item, more: Partial<SettleOptions> = {}) =>
  settle(ground.plan(name, item), { ...ground.options, ...everyRun, ...more })
const textOf = async (ground: Ground, name: string) => (await ground.read(name))?.text
/** Whether a run has reported an item as not brought to the plan. */
const isReported = ({ kept, byHand, theirTexts, theirKeys }: Comparison, ref: string): boolean =>
  [...kept, ...byHand].some((one) => one.ref === ref) ||
  [...theirTexts, ...theirKeys].some((one) => one.startsWith(ref))

/** What people and runs do in turn, and what has to be there at the end. */
export const sequences: Readonly<Record<string, (ground: Ground, name: string) => Promise<void>>> = {
  async 'a text that its owner rewrote stays, while another key follows the plan'(ground, name) {
    const [other, changed] = ground.others
    assert.deepEqual((await run(ground, name, { text: planned, other })).failed, [])
    await ground.write(name, byHand)
    const done = await run(ground, name, { text: planned, other: changed })
    assert.deepEqual([done.failed, isReported(done.comparison, ground.ref(name))], [[], true])
    assert.deepEqual(await ground.read(name), { text: byHand, other: changed, isOpen: true })
    assert.equal((await run(ground, name, { text: planned, other: changed })).writes, 0)
    assert.equal(await textOf(ground, name), byHand)
  },

  async 'what its owner rewrote and took back is opened by nothing but --open'(ground, name) {
    const [other] = ground.others
    const again = [ground.ref(name), ground.readers(name)]
    await run(ground, name, { text: planned, other })
    await ground.write(name, byHand)
    await ground.close(name)
    await run(ground, name, { text: replanned, other })
    assert.deepEqual(await ground.read(name), { text: byHand, other, isOpen: false })
    await run(ground, name, { text: byHand, other }, { again })
    assert.deepEqual(await ground.read(name), { text: byHand, other, isOpen: false })
    await run(ground, name, { text: byHand, other }, { again, open: again })
    assert.deepEqual(await ground.read(name), { text: byHand, other, isOpen: true })
  },

  async 'a stranger’s item under a planned name: left alone, copied before it is overwritten, and restored'(
    ground,
    name,
  ) {
    const [other, changed] = ground.others
    const ref = ground.ref(name)
    // a stranger: this run’s state is not ours
    const stranger = { state: join(ground.options.state, 'of-a-stranger') }
    await run(ground, name, { text: byHand, other }, stranger)
    const item = { text: planned, other: changed }
    const left = await run(ground, name, item)
    assert.equal(isReported(left.comparison, ref), true)
    assert.deepEqual(await ground.read(name), { text: byHand, other, isOpen: true })
    const { record } = await run(ground, name, item, { again: [ref] })
    assert.deepEqual(await ground.read(name), { ...item, isOpen: true })
    const restored = await undo(ground.plan(name, item), record ?? '', { ...ground.options, refs: [ref] })
    assert.deepEqual([restored.again, restored.failed], [[ref], []])
    assert.deepEqual(await ground.read(name), { text: byHand, other, isOpen: true })
    // what is written after that stays, also when the run is undone once more
    await ground.write(name, later)
    const refused = await undo(ground.plan(name, item), record ?? '', { ...ground.options, refs: [ref] })
    assert.deepEqual([refused.again, refused.failed.map((one) => one.ref)], [[], [ref]])
    assert.equal(await textOf(ground, name), later)
  },

  async 'a run that was stopped after a write: its text is ours, and what a person wrote after it is theirs'(
    ground,
    name,
  ) {
    const [other] = ground.others
    const stopped = async (text: string) => {
      const stop = new AbortController()
      const on: SettleOptions['on'] = (event) => {
        if (event.is === 'carried') stop.abort()
      }
      await assert.rejects(run(ground, name, { text, other }, { on, signal: stop.signal }), { code: 'stopped' })
      assert.equal(await textOf(ground, name), text)
    }
    await run(ground, name, { text: planned, other })
    await stopped(replanned)
    assert.deepEqual((await run(ground, name, { text: planned, other })).failed, [])
    assert.equal(await textOf(ground, name), planned)
    await stopped(replanned)
    await ground.write(name, byHand)
    const done = await run(ground, name, { text: planned, other })
    assert.deepEqual([done.failed, isReported(done.comparison, ground.ref(name))], [[], true])
    assert.equal(await textOf(ground, name), byHand)
  },

  async 'an edit while the run is under way stays, and is reported'(ground, name) {
    const [other] = ground.others
    await run(ground, name, { text: planned, other })
    const choose: SettleOptions['choose'] = async (choice) => {
      await ground.write(name, byHand)
      return chooseAll(choice)
    }
    const done = await run(ground, name, { text: replanned, other }, { choose })
    assert.deepEqual(
      done.failed.map(({ ref, code }) => [ref, code]),
      [[ground.ref(name), 'changed-meanwhile']],
    )
    assert.equal(await textOf(ground, name), byHand)
    const next = await run(ground, name, { text: replanned, other })
    assert.deepEqual([next.failed, isReported(next.comparison, ground.ref(name))], [[], true])
    assert.equal(await textOf(ground, name), byHand)
  },
}

/** Plays every sequence on one site, each with an item of its own. */
export async function playAll(test: TestContext, ground: Ground): Promise<void> {
  let number = 0
  for (const [title, play] of Object.entries(sequences)) {
    number += 1
    const name = `item${number}`
    await test.test(title, () => play(ground, name))
  }
}
