import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '../help/root.js'

/** What takes the place of a part of a compiled file. */
export interface Edit {
  file: string
  from: string
  to: string
}
/** A fix that is taken out of a scratch copy, for lives to find the fault. */
export interface Mutation {
  /** What goes wrong without it. */
  fault: string
  on: string
  edits: readonly Edit[]
}

/** The text of a compiled file with an edit. @throws Error where the file does not contain what it replaces */
export function applied({ file, from, to }: Edit): string {
  const text = readFileSync(join(root, 'dist', file), 'utf8')
  if (!text.includes(from)) throw new Error(`${file} does not contain “${from}”`)
  return text.replaceAll(from, to)
}

export const mutations: readonly Mutation[] = [
  {
    fault: 'what a person changed since is written over',
    on: 'content',
    edits: [
      {
        file: 'src/core/comparing/whose-value.js',
        from: 'if (isAsLeft(area, key, mark, value))',
        to: 'if (true)',
      },
    ],
  },
  {
    fault: 'what someone wrote after a killed run counts as written by it',
    on: 'shop',
    edits: [
      {
        file: 'src/engine/recognise-ours.js',
        from: 'arrivedIn(inventory, state.underWay, isFirst)',
        to: 'arrivedIn(inventory, state.underWay, false)',
      },
    ],
  },
  {
    fault: 'what a killed run wrote counts as its owner’s',
    on: 'shop',
    edits: [{ file: 'src/engine/carry-out.js', from: 'await run.state.intend(intentsOf(carried));', to: '' }],
  },
  {
    fault: 'what is written over with --again is in no record',
    on: 'blog',
    edits: [
      { file: 'src/engine/copies.js', from: "(difference.is === 'different' && difference.overwrites)", to: 'false' },
    ],
  },
  {
    fault: 'undo writes over what was changed since',
    on: 'content',
    edits: [
      {
        file: 'src/engine/way-back.js',
        from: 'isAsked(run.options.again, ref) ? [] : fields.filter((key) => !isOurs(key))',
        to: '[]',
      },
    ],
  },
  {
    fault: 'what is changed while a run is under way is written over',
    on: 'forum',
    edits: [
      {
        file: 'src/engine/changed-meanwhile.js',
        from: 'async refuses(load) {',
        to: 'async refuses(load) { return new Map();',
      },
    ],
  },
  {
    fault: 'a shipped post that its owner took back is removed',
    on: 'blog',
    edits: [
      {
        file: 'stand-ins/blog/adapter/marks.js',
        from: "data.state === (id === DRAFT ? 'draft' : 'published') &&",
        to: '',
      },
    ],
  },
  {
    fault: 'what holds someone’s words is opened by a general yes',
    on: 'content',
    edits: [{ file: 'src/core/comparing/opening.js', from: 'return isForeign ?', to: 'return false ?' }],
  },
  {
    fault: 'a group with a stranger in it is given rights',
    on: 'content',
    edits: [{ file: 'src/core/areas/groups.js', from: 'return names.length === 0', to: 'return names.length >= 0' }],
  },
  {
    fault: 'an account that its owner has lost is let into more',
    on: 'content',
    edits: [
      {
        file: 'src/core/comparing/opening.js',
        from: 'if (area.account && options.lockedOut',
        to: 'if (area.account) return false; if (area.account && options.lockedOut',
      },
    ],
  },
  {
    fault: 'whoever the plan takes out of a group stays in it',
    on: 'forum',
    edits: [
      {
        file: 'src/core/comparing/whose-value.js',
        from: 'for (const key of area.atLeast ?? []) {',
        to: 'for (const key of []) {',
      },
    ],
  },
  {
    fault: 'pages with people’s names and addresses are kept whole',
    on: 'content',
    edits: [{ file: 'src/engine/record.js', from: 'structureOf(', to: '((page) => page)(' }],
  },
  {
    fault: 'prices of one currency are written into another',
    on: 'shop',
    edits: [{ file: 'src/core/comparing/units.js', from: 'if (other)', to: 'if (false)' }],
  },
  {
    fault: 'prices are written into a currency that someone chooses during the run',
    on: 'shop',
    edits: [{ file: 'src/engine/units-again.js', from: 'if (counted.length === 0)', to: 'if (true)' }],
  },
  {
    fault: 'a group that the site refused to make, as someone had, counts as made',
    on: 'forum',
    edits: [
      {
        file: 'src/engine/carry-out.js',
        from: 'await run.state.dropIntents(refusedNew(load, outcomes));',
        to: 'void 0;',
      },
    ],
  },
  {
    fault: 'a site from which everything of ours was removed counts as another one',
    on: 'content',
    edits: [
      {
        file: 'src/engine/recognise-ours.js',
        from: 'if (!isKnown)',
        to: 'if (!isKnown || !holdsOurs(inventory, state.ours()))',
      },
    ],
  },
  {
    fault: 'the names of visitors who commented reach the record',
    on: 'blog',
    edits: [
      {
        file: 'src/core/areas/comments.js',
        from: 'call: (item) => `comment ${item.key} on ${item.on}`',
        to: 'call: (item) => `the comment by ${item.by}`',
      },
    ],
  },
]
