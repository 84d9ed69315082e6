import assert from 'node:assert/strict'
import { test } from 'node:test'
import { z } from 'zod'
import { documentOf, formIn, formOn, isWhole, pageOf, type Answer } from 'unpack'

const answer = (text: string, status = 200): Answer => ({
  url: 'http://127.0.0.1/',
  status,
  headers: {},
  text,
  hops: [],
})
const page = (body: string) => `<!doctype html><html><body>${body}</body></html>\n`
const sign = { has: 'main#settings', wanted: 'the settings' }

test('a page is taken only with 200, its sign and its end', () => {
  const good = page('<main id="settings">Hi</main>')
  assert.equal(pageOf(answer(good), sign)('main').text(), 'Hi')
  const wrong: [string, Answer][] = [
    ['503', answer(good, 503)],
    ['empty', answer('')],
    ['cut', answer(good.slice(0, -10))],
    ['another page', answer(page('<main id="start">Hi</main>'))],
  ]
  for (const [name, one] of wrong)
    assert.throws(
      () => pageOf(one, sign),
      (error) =>
        (error as { code: string; page: string }).code === 'screen-unexpected' &&
        (error as { page: string }).page === one.text,
      name,
    )
  assert.ok(isWhole('</html> <!-- cached in 3 ms -->\n') && !isWhole('</html><p>') && !isWhole('<html>'))
})

test('a form is taken only with all its fields: sent without one, it would change a setting that nobody meant', () => {
  const form =
    '<main id="settings"><form id="edit"><input name="title" value="A"><input type="checkbox" name="open" value="1"></form></main>'
  const whole = { ...sign, form: 'form#edit', fields: ['title', 'open'] }
  assert.deepEqual(formIn(answer(page(form)), whole).fields, { title: 'A' })
  assert.throws(() => formIn(answer(page(form.replace(/<input type="checkbox"[^>]*>/, ''))), whole), {
    code: 'screen-unexpected',
    message: /the field “open”/,
  })
})

test('a document is taken only with 200 and in its shape', () => {
  const shape = z.array(z.object({ id: z.number() }))
  assert.deepEqual(documentOf(answer('[{"id": 1}]'), shape, 'a list'), [{ id: 1 }])
  for (const one of [answer('[]', 502), answer('{}'), answer('[{"id": 1}'), answer('<html>')])
    assert.throws(() => documentOf(one, shape, 'a list'), { code: 'screen-unexpected' })
})

test('a form is sent as a browser would: every chosen value, nothing that is disabled', () => {
  const form = formOn(
    `<form id="f"><select name="many" multiple><option value="1" selected>a</option><option>b</option><option selected>  c  d </option><option selected disabled>e</option></select>
     <select name="one"><option disabled>x</option><option>y</option></select><select name="none"></select>
     <fieldset disabled><legend><input name="head" value="h"></legend><input name="off" value="o"></fieldset>
     <input name="gone" disabled value="g"><input type="radio" name="r" checked><textarea name="t">\n\nA</textarea></form><input form="f" name="beside" value="b">`,
    'form',
  )
  assert.deepEqual(form?.pairs, [
    ['many', '1'],
    ['many', 'c d'],
    ['one', 'y'],
    ['head', 'h'],
    ['r', 'on'],
    ['t', '\nA'],
    ['beside', 'b'],
  ])
})
