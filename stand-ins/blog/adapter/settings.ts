import { Step, textOf, type AnyDifference, type Carrier, type IdOf, type Value } from 'unpack'
import type { StandInSession } from './session.js'

export type Fields = Readonly<Record<string, string | IdOf>>
export type Settings<K extends string> = Readonly<Partial<Record<K, (value: Value) => Fields>>>

/** The step of an area that is nothing but settings on one form: what differs, by the form's own names. */
export function settingSteps<K extends string>(
  differences: readonly AnyDifference[],
  carrier: Carrier<Fields, StandInSession>,
  settings: Settings<K>,
): Step[] {
  return differences.flatMap((difference) => {
    if (difference.is === 'left over') return []
    const wanted = difference.wanted as Readonly<Record<string, Value | undefined>>
    const keys: readonly string[] = difference.is === 'different' ? difference.fields : Object.keys(wanted)
    const fields = Object.assign(
      {},
      ...keys.map((key) => {
        const value = wanted[key]
        return value === undefined ? {} : (settings[key as K]?.(value) ?? {})
      }),
    ) as Fields
    return Object.keys(fields).length === 0 ? [] : [Step.of(carrier, fields, { proves: [difference] })]
  })
}

/** A field of the form that takes a value as it is. */
export const as =
  (field: string) =>
  (value: Value): Fields => ({ [field]: textOf(value) })

/** A box on a form: ticked or not. */
export const box = (on: boolean): '1' | '' => (on ? '1' : '')
