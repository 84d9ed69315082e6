import assert from 'node:assert/strict'
import { test } from 'node:test'
import { htmlOf, sameText, strippedText, textBlocks, foldTypography, normalForm } from 'unpack'

test('two bodies are the same text whatever a system did to their HTML', () => {
  const ours = htmlOf('Bring it *broken*, take it home.\n\n- [Visit](../visit/)\n- Tea & cake\n')
  const theirs =
    '<!-- wp:block --><p class="x">Bring it <em>broken</em>, take  it home.</p>\n\n<div><ul>\n<li><a class="y" href="../visit/">Visit</a></li><li>Tea &amp; cake</li></ul></div>'
  assert.ok(sameText(ours, theirs))
})

test('a changed word, link, picture or emphasis is another text', () => {
  const one = '<p>Open on <a href="/a">Saturday</a> <img src="a.png"></p>'
  for (const other of [
    '<p>Open on <a href="/a">Sunday</a> <img src="a.png"></p>',
    '<p>Open on <a href="/b">Saturday</a> <img src="a.png"></p>',
    '<p>Open on <a href="/a">Saturday</a> <img src="b.png"></p>',
    '<p>Open on <a href="/a"><b>Saturday</b></a> <img src="a.png"></p>',
  ])
    assert.ok(!sameText(one, other), other)
  assert.notEqual(normalForm('<p>a</p><p>b</p>'), normalForm('<p>a b</p>'))
})

test('a body in CommonMark passes no HTML and no script on', () => {
  assert.match(htmlOf('<script>alert(1)</script>'), /^&lt;script&gt;/)
  assert.doesNotMatch(htmlOf('[x](javascript:alert(1))'), /javascript:/)
})

test('a line that ends within a paragraph ends as a space; breaks, code and lists stay', () => {
  const html = htmlOf('one\n*two*\n**three**\nfour  \nfive\n\n- a\n  b\n  - c\n\n```\nx\ny\n```\n\n> q\n> r `s\nt`')
  assert.equal(
    html,
    '<p>one <em>two</em> <strong>three</strong> four<br />five</p>\n<ul>\n<li>a b <ul>\n<li>c</li>\n</ul>\n</li>\n</ul>\n<pre><code>x\ny\n</code></pre>\n<blockquote>\n<p>q r <code>s t</code></p>\n</blockquote>',
  )
})

test('stripped text: nothing in a tag’s place, entities decoded, every white space folded', () => {
  assert.equal(strippedText('<!-- c --><p>A&nbsp;b\n\n<b>c</b>d &amp; e</p>'), 'A b cd & e')
})

test('what a reader sees, block by block, without scripts and styles', () => {
  assert.deepEqual(textBlocks('<style>p{}</style><h1>One</h1><p>two <b>three</b><br>four</p><script>five</script>'), [
    'One',
    'two three',
    'four',
  ])
})

test('typography is folded', () => {
  assert.equal(foldTypography('It’s “so” – really… 10:00–14:00'), `It's "so" - really... 10:00 - 14:00`)
})
