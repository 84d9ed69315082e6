import type { Document } from 'yaml'
import { UnpackError } from '../errors.js'
import { crossChecks } from './cross-checks.js'
import { flawTexts, isHarmless } from './flaws.js'
import { picturesNamed, textIn, withFiles, type Files } from './files.js'
import { filesIn } from './names.js'
import { isGroup } from './plain-values.js'
import { MOST_MISTAKES, mistakesOf, mistakeText } from './mistakes.js'
import type { Mistake } from './mistake.js'
import { tableIn, tableOf } from './table.js'
import { baselineSchema, type Baseline } from './schema.js'
import { Source, type Position } from './source.js'

/** A baseline that was read, with its document. */
export interface ReadBaseline {
  baseline: Baseline
  /** The YAML document, comments and all. */
  document: Document
  /** Where the value at a path stands: `where(['site', 'title'])`. */
  where(path: readonly PropertyKey[]): Position
}

/**
 * Which files a baseline names; give them to {@link readBaseline}. Called again with the texts among them, it tells as well
 * which pictures these show.
 * @example filesNamed('pages: [{ title: Visit, slug: visit, body: visit.md }]') // ['visit.md']
 */
export function filesNamed(text: string, files: Files = {}): string[] {
  const { values, from } = withTables(new Source(text, ''), files)
  const { all, bodies, sample } = filesIn(values)
  return [...new Set([...from, ...all, ...picturesNamed(bodies, sample, files)])]
}

/**
 * The mistakes of a baseline's text, in the order of the file: the first hundred.
 * @param text YAML 1.2
 * @param files the files it names, by the names it uses: texts, or bytes
 * @param file what to call the text in places
 * @example mistakesIn('unpack: 2').map(({ at }) => at.line) // the lines on which something is wrong
 */
export function mistakesIn(text: string, files: Files = {}, file = 'baseline.yaml'): Mistake[] {
  return examine(new Source(text, file), files).mistakes
}

/**
 * Reads a baseline.
 * @returns the baseline, its document and the places of its values
 * @throws UnpackError `baseline-wrong`, with the first hundred mistakes, a line each, and how many there are
 * @example readBaseline(text, { 'pages/visit.md': '# Visit us' }, 'demo/baseline.yaml').baseline.site.title
 */
export function readBaseline(text: string, files: Files = {}, file = 'baseline.yaml'): ReadBaseline {
  const source = new Source(text, file)
  const { mistakes, more, values } = examine(source, files)
  if (!values) {
    throw UnpackError.of(
      'baseline-wrong',
      { file, count: mistakes.length + more },
      {
        at: mistakes[0] && placeText(mistakes[0].at),
        lines: [...mistakes.map(mistakeText), ...(more > 0 ? [`… and ${more} more`] : [])],
      },
    )
  }
  return { baseline: withFiles(values, files), document: source.document, where: (path) => source.at(path) }
}

/** In the order of the file; what stands in files beside it comes behind that. */
const inOrder =
  (file: string) =>
  ({ at: a }: Mistake, { at: b }: Mistake): number =>
    Number(a.file !== file) - Number(b.file !== file) || a.line - b.line || a.column - b.column

/** The plain values of a file, with the rows of the tables that it names in their places. */
function withTables(source: Source, files: Files): { values: unknown; from: string[]; tables: Mistake[] } {
  const values = source.values()
  const file = isGroup(values) ? tableOf(values.products) : undefined
  if (!isGroup(values) || file === undefined || textIn(files, file) === undefined)
    return { values, from: [], tables: [] }
  const { rows, mistakes, at } = tableIn(file, files, ['products'])
  source.tabled('products', at)
  return { values: { ...values, products: rows }, from: [file], tables: mistakes }
}

const placeText = ({ file, line, column }: Position): string => `${file}:${line}:${column}`

interface Examined {
  mistakes: Mistake[]
  /** How many there are beyond those. */
  more: number
  values?: Parameters<typeof withFiles>[0]
}
function examine(source: Source, files: Files): Examined {
  const flaws = source.flaws.map(({ code, at }): Mistake => ({ code: 'yaml', at, path: '', ...flawTexts[code] }))
  const { values, tables } = withTables(source, files)
  // of a text that is no YAML the values are what the parser guessed
  if (source.flaws.some(({ code }) => !isHarmless(code))) return { mistakes: flaws, more: 0 }
  if (!isGroup(values)) {
    const at = source.at([])
    return { mistakes: [...flaws, { code: 'yaml', at, path: '', ...flawTexts.NO_PLAN }], more: 0 }
  }
  const parsed = baselineSchema.safeParse(values)
  const { found: crossed, more } = crossChecks(values, source, files)
  // what a cross-check explains better (a password!) the schema need not say again
  const explained = new Set(crossed.map(({ path }) => path))
  const typed = parsed.success
    ? []
    : mistakesOf(parsed.error.issues, source, values).filter(({ path }) => !explained.has(path))
  const all = [...flaws, ...typed, ...crossed, ...tables].sort(inOrder(source.file))
  const beyond = (count = 0) => Math.max(0, count - MOST_MISTAKES)
  return {
    mistakes: all.slice(0, MOST_MISTAKES),
    more: more + beyond(parsed.error?.issues.length) + beyond(all.length),
    values: all.length === 0 && parsed.success ? parsed.data : undefined,
  }
}
