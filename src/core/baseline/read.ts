import type { Document } from 'yaml'
import { UnpackError } from '../errors.js'
import { htmlOf } from '../text/markdown.js'
import { crossChecks } from './cross-checks.js'
import { mistakesOf, mistakeText, type Mistake } from './mistakes.js'
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

/** Which files a baseline names; give their texts to {@link readBaseline}. */
export function filesNamed(text: string): string[] {
  const values = new Source(text, '').values() as { pages?: unknown } | null | undefined
  const pages = Array.isArray(values?.pages) ? (values.pages as unknown[]) : []
  const names = pages.map((page) => (page as { body?: unknown } | null)?.body)
  return [...new Set(names.filter((name): name is string => typeof name === 'string'))]
}

/**
 * Every mistake of a baseline's text, in the order of the file.
 * @param text YAML 1.2
 * @param files the texts of the files it names, by the names it uses
 * @param file what to call the text in places
 */
export function mistakesIn(
  text: string,
  files: Readonly<Record<string, string>> = {},
  file = 'baseline.yaml',
): Mistake[] {
  return examine(new Source(text, file), files).mistakes
}

/**
 * Reads a baseline.
 * @returns the baseline, its document and the places of its values
 * @throws UnpackError `baseline-wrong`, with every mistake as a line
 * @example readBaseline(text, { 'pages/visit.md': '# Visit us' }, 'demo/baseline.yaml').baseline.site.title
 */
export function readBaseline(
  text: string,
  files: Readonly<Record<string, string>> = {},
  file = 'baseline.yaml',
): ReadBaseline {
  const source = new Source(text, file)
  const { mistakes, values } = examine(source, files)
  if (!values) {
    throw UnpackError.of(
      'baseline-wrong',
      { file, count: mistakes.length },
      { at: mistakes[0] && placeText(mistakes[0].at), lines: mistakes.map(mistakeText) },
    )
  }
  const bodies = Object.fromEntries(Object.entries(files).map(([name, body]) => [name, htmlOf(body)]))
  return { baseline: { ...values, bodies }, document: source.document, where: (path) => source.at(path) }
}

const placeText = ({ file, line, column }: Position): string => `${file}:${line}:${column}`

function examine(
  source: Source,
  files: Readonly<Record<string, string>>,
): { mistakes: Mistake[]; values?: Omit<Baseline, 'bodies'> } {
  const flaws = source.flaws.map(({ code, at }): Mistake => ({
    code: 'yaml',
    at,
    path: '',
    what: code === 'DUPLICATE_KEY' ? 'this key stands here twice' : 'this is not YAML',
    expected:
      code === 'DUPLICATE_KEY'
        ? 'every key once'
        : 'keys and values, indented with spaces, texts with : or # in quotes',
  }))
  const values = source.values()
  const parsed = baselineSchema.safeParse(values)
  const crossed = crossChecks(values, source, files)
  // what a cross-check explains better (a password!) the schema need not say again
  const explained = new Set(crossed.map(({ path }) => path))
  const typed =
    parsed.success || values === undefined
      ? []
      : mistakesOf(parsed.error.issues, source).filter(({ path }) => !explained.has(path))
  const mistakes = [...flaws, ...typed, ...crossed].sort((a, b) => a.at.line - b.at.line || a.at.column - b.at.column)
  return { mistakes, values: mistakes.length === 0 && parsed.success ? parsed.data : undefined }
}
