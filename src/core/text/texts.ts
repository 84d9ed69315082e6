/** Changes every text in plain data, names of fields too; what stays the same stays the same object. */
export function changeTexts<T>(value: T, change: (text: string) => string): T {
  if (typeof value === 'string') return change(value) as T
  if (typeof value !== 'object' || value === null) return value
  if (Array.isArray(value)) {
    const all = value.map((one: unknown) => changeTexts(one, change))
    return (all.some((one, index) => one !== value[index]) ? all : value) as T
  }
  // bytes, secrets and the like are no plain data
  if (Object.getPrototypeOf(value) !== Object.prototype) return value
  const entries = Object.entries(value)
  const all = entries.map(([key, one]) => [change(key), changeTexts(one as unknown, change)] as const)
  const isSame = all.every(([key, one], index) => key === entries[index]?.[0] && one === entries[index][1])
  return isSame ? value : (Object.fromEntries(all) as T)
}
