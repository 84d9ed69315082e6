import type { AnyDifference } from '../core/areas/index.js'
import type { Value } from '../core/area.js'
import type { AddressOf, IdOf, TextOf } from './later.js'
import { Step, type Carrier } from './step.js'
import type { Session } from './session.js'

/** Fields of a form of settings, by the system's own names. */
export type SettingFields = Readonly<Record<string, string | IdOf | AddressOf | TextOf>>
/** Each key of an area as the fields that it becomes. */
export type Settings<K extends string> = Readonly<Partial<Record<K, (value: Value) => SettingFields>>>

/**
 * The steps of an area that is nothing but settings: what differs, by the system's own names.
 * @param carrier the form that takes them
 * @example translate: (differences) => settingSteps(differences, form, { open: (value) => ({ may_join: value ? '1' : '0' }) })
 */
export function settingSteps<K extends string, S extends Session>(
  differences: readonly AnyDifference[],
  carrier: Carrier<SettingFields, S>,
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
    ) as SettingFields
    return Object.keys(fields).length === 0 ? [] : [Step.of(carrier, fields, { proves: [difference] })]
  })
}
