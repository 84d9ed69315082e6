/** What is wrong with the YAML itself. */
export type Flaw =
  'DUPLICATE_KEY' | 'TOO_LARGE' | 'CIRCLE' | 'NO_ANCHOR' | 'TAB' | 'INDENT' | 'UNCLOSED' | 'NO_PLAN' | 'YAML'

/** Our name for what the YAML parser found; its own message may quote a line. */
export const flawOf = (code: string, message: string): Flaw =>
  // a bracket that stays open is told as the indentation of the line where the file ends
  (message.includes('and end with a') ? 'UNCLOSED' : undefined) ??
  ({ TAB_AS_INDENT: 'TAB', BAD_INDENT: 'INDENT', MISSING_CHAR: 'UNCLOSED' } as Partial<Record<string, Flaw>>)[code] ??
  'YAML'

/** A flaw beside which the values that could be read are what their owner wrote. */
export const isHarmless = (flaw: Flaw): boolean => flaw === 'DUPLICATE_KEY'

export const flawTexts: Record<Flaw, { what: string; expected: string; example?: string }> = {
  DUPLICATE_KEY: { what: 'this key stands here twice', expected: 'every key once' },
  TOO_LARGE: {
    what: 'this is more than a plan holds',
    expected: '100,000 keys and values at the most, and not more than a hundred in each other',
  },
  CIRCLE: { what: 'this alias leads into itself', expected: 'an alias of something that stands before it' },
  NO_ANCHOR: {
    what: 'this begins with *, and so stands for something that is named with & before; nothing is',
    expected: 'the text in quotes, if it is one',
    example: 'title: "*Sale*"',
  },
  TAB: { what: 'a tab stands in front of this', expected: 'lines that are indented with blanks' },
  INDENT: {
    what: 'this line is not indented as those that it belongs to',
    expected: 'keys of one group, and dashes of one list, one below the other',
  },
  UNCLOSED: { what: 'a quote, or a bracket, is opened and not closed', expected: 'the other one behind it' },
  NO_PLAN: {
    what: 'this file holds no keys',
    expected: 'unpack, site and owner at least',
    example: 'unpack: 1',
  },
  YAML: {
    what: 'this is not YAML',
    expected: 'keys and values, indented with blanks; a text with : or # in quotes',
  },
}
