/** Every sum in a text, as decimals: `£1,274.78`, `1.274,78 €`, `¥500`. */
export function sumsIn(text: string): string[] {
  return (text.match(/\d[\d.,'\u00a0\u202f\u2019 ]*/g) ?? []).map(decimalOf)
}

/** A sum as shops write it, as a decimal: the last point or comma with one or two signs behind it parts the smaller part off. */
function decimalOf(written: string): string {
  const text = written.replace(/[^\d.,]/g, '').replace(/[.,]+$/, '')
  const [, whole = text, rest] = /^(.*)[.,](\d{1,2})$/.exec(text) ?? []
  const digits = whole.replace(/\D/g, '')
  return rest === undefined ? digits : `${digits}.${rest}`
}
