import { isMap, isNode, isPair, isScalar, isSeq, LineCounter, parseDocument, type Document, type Node } from 'yaml'

/** A place in a file; line and column count from 1. */
export interface Position {
  file: string
  line: number
  column: number
}

/** A baseline's text as a YAML document: its comments stay, and every value knows its place. */
export class Source {
  readonly document: Document
  readonly #lines = new LineCounter()
  constructor(
    text: string,
    readonly file: string,
  ) {
    this.document = parseDocument(text, {
      lineCounter: this.#lines,
      prettyErrors: false,
      version: '1.2',
      merge: false,
      uniqueKeys: true,
    })
  }

  /** What is wrong with the YAML itself, as places and codes of the parser; never its message, which may quote a line. */
  get flaws(): { code: string; at: Position }[] {
    return this.document.errors.map((error) => ({ code: error.code, at: this.position(error.pos[0]) }))
  }

  position(offset: number): Position {
    const { line, col } = this.#lines.linePos(offset)
    return { file: this.file, line: Math.max(1, line), column: Math.max(1, col) }
  }

  /** Where a value stands; of what is missing, where the nearest thing around it stands. */
  at(path: readonly PropertyKey[]): Position {
    for (let length = path.length; length > 0; length -= 1) {
      const node = this.document.getIn(path.slice(0, length), true)
      if (isNode(node) && node.range)
        return length === path.length ? this.position(node.range[0]) : this.keyAt(path.slice(0, length))
    }
    return this.position(this.document.contents?.range?.[0] ?? 0)
  }

  /** Where the key of a value stands. */
  keyAt(path: readonly PropertyKey[]): Position {
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
    try {
      return this.document.toJS({ maxAliasCount: 50 })
    } catch {
      return undefined
    }
  }
}
