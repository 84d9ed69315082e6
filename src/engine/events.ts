import type { Check } from '../core/report/report.js'

/** What a run is at. */
export type Phase =
  'survey' | 'sign in' | 'read' | 'compare' | 'first run' | 'settle' | 'read back' | 'move' | 'confirm'

/** What a run tells while it is at work. */
export type RunEvent =
  | { is: 'phase'; phase: Phase; text: string }
  /** So many changes are about to be made, one after the other. */
  | { is: 'to do'; refs: number }
  | { is: 'sent'; carrier: string; refs: string[] }
  | { is: 'carried'; carrier: string; refs: string[]; refused: string[] }
  | { is: 'check'; check: Check }
  /** The site has asked to be left alone for so many seconds: it is waited for. */
  | { is: 'waiting'; seconds: number }

/** Tells a listener. One that fails is the program's own trouble: it must not stop a run in the middle of a write. */
export function emit(on: ((event: RunEvent) => void) | undefined, event: RunEvent): void {
  try {
    on?.(event)
  } catch {
    // what it would have shown is in the record as well
  }
}
