import {
  isAlias,
  isMap,
  isNode,
  isPair,
  isScalar,
  isSeq,
  LineCounter,
  parseDocument,
  visit,
  type Document,
  type Node,
} from 'yaml'
import { flawOf, type Flaw } from './flaws.js'

/** A place in a file; line and column count from 1. */
export interface Position {
  file: string
  line: number
  column: number
}

/** Keys and values of one file; more of them are no plan that anybody wrote. */
const MOST_NODES = 100_000
/** Groups and lists in each other. */
const MOST_DEPTH = 100

/** A baseline's text as a YAML document: its comments stay, and every value knows its place. */
export class Source {
  readonly document: Document
  readonly #lines = new LineCounter()
  #flaws: { code: Flaw; at: number }[] = []
  constructor(
    text: string,
    readonly file: string,
  ) {
    const isTooDeep = depthOf(text) > MOST_DEPTH
    this.document = this.#read(isTooDeep ? '' : text)
    if (isTooDeep) this.#flaws.push({ code: 'TOO_LARGE', at: 0 })
    // never the parser's own message, which may quote a line
    for (const { pos, code, message } of this.document.errors)
      this.#flaws.push({ code: flawOf(code, message), at: pos[0] })
    this.#flaws = plainest(this.#flaws)
    try {
      this.#look()
    } catch {
      this.#flaws.push({ code: 'TOO_LARGE', at: 0 })
    }
  }

  #read(text: string): Document {
    const options = {
      lineCounter: this.#lines,
      prettyErrors: false,
      version: '1.2',
      merge: false,
      // looked for below: the parser's own way takes minutes for a long list of keys
      uniqueKeys: false,
      // its warnings would quote keys
      logLevel: 'silent',
    } as const
    try {
      return parseDocument(text, options)
    } catch {
      this.#flaws.push({ code: 'TOO_LARGE', at: 0 })
      return parseDocument('', options)
    }
  }

  /** Keys that stand twice, aliases that lead into themselves, and more than any plan holds. */
  #look(): void {
    let nodes = 0
    visit(this.document, {
      Node: (_key, node, path) => {
        nodes += 1
        if (nodes > MOST_NODES || path.length > 2 * MOST_DEPTH) {
          this.#flaws.push({ code: 'TOO_LARGE', at: node.range?.[0] ?? 0 })
          return visit.BREAK
        }
        if (isAlias(node)) {
          const target = node.resolve(this.document)
          if (target === undefined) this.#flaws.push({ code: 'NO_ANCHOR', at: node.range?.[0] ?? 0 })
          if (target !== undefined && path.some((one) => one === target))
            this.#flaws.push({ code: 'CIRCLE', at: node.range?.[0] ?? 0 })
        }
        if (isMap(node)) this.#twice(node.items)
        return undefined
      },
    })
  }

  #twice(items: readonly unknown[]): void {
    const seen = new Set<unknown>()
    for (const item of items) {
      const key = isPair(item) && isScalar(item.key) ? item.key.value : undefined
      if (key === undefined) continue
      if (seen.has(key)) this.#flaws.push({ code: 'DUPLICATE_KEY', at: startOf(isPair(item) ? item.key : undefined) })
      seen.add(key)
    }
  }

  /** What is wrong with the YAML itself, as places and codes. */
  get flaws(): { code: Flaw; at: Position }[] {
    return this.#flaws.map(({ code, at }) => ({ code, at: this.position(at) }))
  }

  position(offset: number): Position {
    const { line, col } = this.#lines.linePos(offset)
    return { file: this.file, line: Math.max(1, line), column: Math.max(1, col) }
  }

  /** Takes a list of the file from a table beside it: its values stand there. */
  tabled(key: string, at: (row: number, key?: PropertyKey) => Position): void {
    this.#tables.set(key, at)
  }
  readonly #tables = new Map<PropertyKey, (row: number, key?: PropertyKey) => Position>()
  #inTable([list = '', row, key]: readonly PropertyKey[]): Position | undefined {
    return typeof row === 'number' ? this.#tables.get(list)?.(row, key) : undefined
  }

  /** Where a value stands; of what is missing, where the nearest thing around it stands. */
  at(path: readonly PropertyKey[]): Position {
    const tabled = this.#inTable(path)
    if (tabled) return tabled
    for (let length = path.length; length > 0; length -= 1) {
      const node = this.document.getIn(path.slice(0, length), true)
      if (isNode(node) && node.range)
        return length === path.length ? this.position(node.range[0]) : this.keyAt(path.slice(0, length))
    }
    return this.position(this.document.contents?.range?.[0] ?? 0)
  }

  /** Where the key of a value stands. */
  keyAt(path: readonly PropertyKey[]): Position {
    const tabled = this.#inTable(path)
    if (tabled) return tabled
    const parent = path.length === 1 ? this.document.contents : this.document.getIn(path.slice(0, -1), true)
    const key = path.at(-1)
    if (isMap(parent)) {
      const pair = parent.items.find((item) => isPair(item) && isScalar(item.key) && item.key.value === key)
      if (pair && isNode(pair.key) && pair.key.range) return this.position(pair.key.range[0])
    }
    if (isSeq(parent)) {
      const item = parent.items[Number(key)] as Node | undefined
      if (isNode(item) && item.range) return this.position(item.range[0])
    }
    return path.length > 1 ? this.keyAt(path.slice(0, -1)) : this.position(0)
  }

  /** The plain values; `undefined` where the document can't be turned into any. */
  values(): unknown {
    if (this.#flaws.some(({ code }) => code === 'CIRCLE' || code === 'TOO_LARGE')) return undefined
    try {
      return this.document.toJS({ maxAliasCount: 50 })
    } catch {
      return undefined
    }
  }
}

/** What is not closed makes everything behind it look wrong: it alone is told. */
const plainest = <F extends { code: Flaw }>(flaws: readonly F[]): F[] => {
  const open = flaws.find(({ code }) => code === 'UNCLOSED')
  return open ? [open] : [...flaws]
}

const startOf = (node: unknown): number => (isNode(node) ? (node.range?.[0] ?? 0) : 0)

/** How deep brackets or a row of dashes go at the most: the parser climbs down one by one, and has no limit of its own. */
function depthOf(text: string): number {
  let depth = 0
  let most = 0
  for (const sign of text) {
    if (sign === '[' || sign === '{') most = Math.max(most, (depth += 1))
    else if (sign === ']' || sign === '}') depth = Math.max(0, depth - 1)
    else if (sign === '\n' && depth < MOST_DEPTH) depth = 0
  }
  const dashes = /^(?:[-?] ?){101,}/m.exec(text) ? MOST_DEPTH + 1 : 0
  return Math.max(most, dashes)
}
