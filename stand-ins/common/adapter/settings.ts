import { textOf, type SettingFields, type Value } from 'unpack'

/** A field of the form that takes a value as it is. */
export const as =
  (field: string) =>
  (value: Value): SettingFields => ({ [field]: textOf(value) })

/** A box on a form: ticked or not. */
export const box = (on: boolean): '1' | '' => (on ? '1' : '')
