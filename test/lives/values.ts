/** A text as systems keep it. */
export const paragraph = (text: unknown): string => `<p>${textOf(text)}</p>`
/** A name or number as text. */
export const textOf = (value: unknown): string =>
  typeof value === 'string' || typeof value === 'number' ? String(value) : ''
/** The current moment of the mocked clock. */
export const now = (): string => new Date().toISOString()
/** Texts that a plan may have. */
export const bodies = ['It is written here.', 'It is written again.', 'There is more to read.'] as const
/** The last part of a ref, or of a path. */
export const nameOf = (ref: string): string => ref.split('/').at(-1) ?? ref
/** The ref of what is above; '' at the top. */
export const aboveOf = (ref: string): string => (ref.split('/').length > 2 ? ref.replace(/\/[^/]*$/, '') : '')
/** The item of a list that a number chooses, whatever the number is. */
export const nth = <T>(list: readonly T[], number: number): T | undefined => list[number % Math.max(1, list.length)]
