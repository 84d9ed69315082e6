import type { AnyDifference } from '../../core/areas/index.js'
import type { Value } from '../../core/area.js'
import { Step, type IdOf } from '../step.js'
import { options } from './carriers/options.js'

export type Settings<K extends string> = Readonly<
  Partial<Record<K, (value: Value) => Readonly<Record<string, string | IdOf>>>>
>

/** The step of an area that is nothing but settings: what differs, by the system's own names. */
export function settingSteps<K extends string>(differences: readonly AnyDifference[], settings: Settings<K>): Step[] {
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
    ) as Record<string, string | IdOf>
    return Object.keys(fields).length === 0 ? [] : [Step.of(options, fields, { proves: [difference] })]
  })
}
