/** What may go wrong between a site and whoever asks it. */
export const faultKinds = [
  'refused',
  'reset before',
  'reset after',
  '429 number',
  '429 date',
  '500',
  '502',
  '503',
  'empty',
  'drip',
  'cut',
  'other type',
  'log-in page',
  'other screen',
  'session ended',
  'token refused',
  'permission missing',
  'field gone',
] as const
export type FaultKind = (typeof faultKinds)[number]

/** A fault: which request it befalls, and what it is. */
export interface Fault {
  /** The number of the request, from 1 on; or what its line must match, as `GET /office/pages`. */
  at: number | string
  is: FaultKind
  /** How often, with a number when the same request comes again; once where left out. */
  times?: number
}

/** The fault, so that somebody who reads once more what a server failed at meets it again. */
export const lasting = (fault: Fault): Fault => (/^5\d\d$/.test(fault.is) ? { ...fault, times: 2 } : fault)

const isFault = (value: unknown): value is Fault => {
  const { at, is, times = 1 } = (value ?? {}) as { [key: string]: unknown }
  return (
    (typeof at === 'number' || typeof at === 'string') &&
    (faultKinds as readonly unknown[]).includes(is) &&
    typeof times === 'number' &&
    times >= 1
  )
}

/**
 * Reads a list of faults: JSON, as in docs/trust.md.
 * @returns the faults, or in words what is wrong with the file
 */
export function faultsIn(text: string): readonly Fault[] | string {
  let read: unknown
  try {
    read = JSON.parse(text)
  } catch {
    return 'it is no JSON'
  }
  if (!Array.isArray(read)) return 'it is no list'
  const wrong = read.findIndex((one) => !isFault(one))
  return wrong < 0
    ? (read as Fault[])
    : `number ${wrong + 1} of the list is no fault: { "at": 12 or "GET /place", "is": one of ${faultKinds.join(', ')} }`
}
