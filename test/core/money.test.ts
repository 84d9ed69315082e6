import assert from 'node:assert/strict'
import { test } from 'node:test'
import { sumsIn } from '../../src/looks/sums.js'
import { Decimal } from 'decimal.js'
import fc from 'fast-check'
import { digitsOf, orderedFor, roundedTo, sameDecimal, sumOf, taxIn, taxOn, timesOf, totalOf } from 'unpack'
import { isCountry, isCurrency } from '../../src/core/money/currency.js'
import { compareDecimals, digitsNeeded, isDecimal } from '../../src/core/money/decimal.js'

/* Every rule is held against a decimal library of its own. */

const D = Decimal.clone({ precision: 60, rounding: Decimal.ROUND_HALF_UP })
const decimal = fc
  .tuple(fc.nat(999_999_999), fc.option(fc.stringMatching(/^\d{1,6}$/), { nil: undefined }))
  .map(([whole, rest]) => (rest === undefined ? String(whole) : `${whole}.${rest}`))
const rate = fc
  .tuple(fc.nat(99), fc.stringMatching(/^\d{0,2}$/))
  .map(([whole, rest]) => `${whole}${rest && `.${rest}`}`)
const digits = fc.constantFrom(0, 2, 3)

test('a sum on a page is read by the digits of its currency: with none, two or three behind the point', () => {
  for (const [text, digits, sums] of [
    ['£1,274.78', 2, ['1274.78']],
    ['1.274,78 €', 2, ['1274.78']],
    ['£1,274', 2, ['1274']],
    ['¥1,200', 0, ['1200']],
    ['1.200 ₫', 0, ['1200']],
    ['¥12.50', 0, ['12.50']],
    ['KWD 1.250', 3, ['1.250']],
    ['KWD 1,250.500', 3, ['1250.500']],
    ['KWD 1,250', 3, ['1.250']],
  ] as const)
    assert.deepEqual(sumsIn(text, digits), sums, text)
})

test('sums and products are exact, whatever is added', () => {
  fc.assert(
    fc.property(fc.array(decimal, { maxLength: 50 }), fc.nat(5000), (all, count) => {
      assert.ok(new D(sumOf(all)).eq(all.reduce((sum, one) => sum.add(one), new D(0))))
      for (const one of all) assert.ok(new D(timesOf(one, count)).eq(new D(one).mul(count)))
    }),
  )
  assert.equal(sumOf(['0.1', '0.2']), '0.3')
  assert.equal(sumOf([]), '0')
})

test('rounding: a half goes up, in currencies of no, two and three digits', () => {
  fc.assert(
    fc.property(decimal, digits, (one, to) =>
      assert.equal(roundedTo(one, to), new D(one).toFixed(to, Decimal.ROUND_HALF_UP)),
    ),
  )
  assert.deepEqual([roundedTo('0.125', 2), roundedTo('0.5', 0), roundedTo('7', 2)], ['0.13', '1', '7.00'])
  assert.deepEqual(['GBP', 'JPY', 'KWD'].map(digitsOf), [2, 0, 3])
})

test('tax: what is in a sum and what comes on top of it', () => {
  fc.assert(
    fc.property(decimal, rate, digits, (sum, percent, to) => {
      assert.equal(taxOn(sum, percent, to), new D(sum).mul(percent).div(100).toFixed(to, Decimal.ROUND_HALF_UP))
      const within = new D(sum).mul(percent).div(new D(100).add(percent))
      assert.equal(taxIn(sum, percent, to), within.toFixed(to, Decimal.ROUND_HALF_UP))
    }),
  )
  assert.equal(taxIn('40.28', '23', 2), '7.53')
})

test('comparing: how many zeros end a decimal says nothing', () => {
  fc.assert(
    fc.property(decimal, decimal, (a, b) => {
      assert.equal(compareDecimals(a, b), new D(a).cmp(b))
      assert.equal(sameDecimal(a, b), new D(a).eq(b))
      assert.equal(digitsNeeded(a), new D(a).decimalPlaces())
    }),
  )
  for (const text of ['', '-1', '1.', '.5', '1,5', '1e3', '0x1', ' 1', '1.2345678'])
    assert.equal(isDecimal(text), false, text)
})

test('what an order comes to: free from a sum on, by weight, with tax in the prices or on top', () => {
  const vat = { name: 'VAT', rates: [{ country: 'GB', rate: '20' }] }
  const order = (price: string, count: number, shipping: object, includeTax = true, country = 'GB') =>
    totalOf({
      lines: [{ price, count, tax: vat, weight: 0.4 }],
      shipping: { name: 'Van', ...shipping },
      ...{ country, includeTax, digits: 2 },
    })
  assert.equal(order('2.40', 2, { price: '3.50' }), '8.30')
  assert.equal(order('20', 2, { price: '3.50', freeFrom: '40.00' }), '40.00')
  assert.equal(order('19.99', 2, { price: '3.50', freeFrom: '40.00' }), '43.48')
  assert.equal(order('2.40', 2, { price: '3.50' }, false), '9.26')
  assert.equal(order('2.40', 2, { price: '3.50' }, false, 'IE'), '8.30', 'a country without a rate')
  const byWeight = [
    { from: '0', price: '3' },
    { from: '2', price: '6' },
  ]
  assert.deepEqual([order('1', 4, { byWeight }), order('1', 5, { byWeight })], ['7.00', '11.00'])
  assert.equal(orderedFor('8.3', 2), 'ordered for 8.30')
})

test('countries of ISO 3166 and currencies of ISO 4217, and what looks like them', () => {
  const letters = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'.split('')
  const all = letters.flatMap((a) => letters.map((b) => a + b)).filter(isCountry)
  assert.equal(all.length, 249)
  for (const code of ['UK', 'EU', 'XK', 'SU', 'gb', 'GBR', 'ZZ']) assert.equal(isCountry(code), false, code)
  assert.deepEqual(['EUR', 'EURO', 'eur', 'GBP'].map(isCurrency), [true, false, false, true])
})
