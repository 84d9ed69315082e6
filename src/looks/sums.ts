/**
 * Every sum in a text, as decimals: `£1,274.78`, `1.274,78 €`, `¥500`.
 * @param digits how many its currency has behind the point (ISO 4217)
 */
export function sumsIn(text: string, digits = 2): string[] {
  return (text.match(/\d[\d.,'\u00a0\u202f\u2019 ]*/g) ?? []).map((written) => decimalOf(written, digits))
}

/**
 * A sum as shops write it, as a decimal. The last point or comma parts off the smaller part where as many digits follow as the
 * currency has; three digits are a group of thousands otherwise.
 */
function decimalOf(written: string, digits: number): string {
  const text = written.replace(/[^\d.,]/g, '').replace(/[.,]+$/, '')
  const [, whole = text, rest] = /^(.*)[.,](\d+)$/.exec(text) ?? []
  const isPart = rest !== undefined && (rest.length === digits || rest.length !== 3)
  const all = (isPart ? whole : text).replace(/\D/g, '')
  return isPart ? `${all}.${rest}` : all
}
