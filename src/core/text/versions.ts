/** Whether a version is the same as another or newer, part by part: `1.10` is newer than `1.9`. No version is older than any. */
export function notOlder(version: string, than: string): boolean {
  if (than === '') return true
  const parts = (text: string) => text.split(/[^0-9]+/).map(Number)
  const [own, other] = [parts(version), parts(than)]
  for (let index = 0; index < Math.max(own.length, other.length); index += 1) {
    const difference = (own[index] ?? 0) - (other[index] ?? 0)
    if (difference !== 0) return difference > 0
  }
  return true
}
