import {
  areaNames,
  areas,
  filesNamed,
  mistakesIn,
  readBaseline,
  type AnyDifference,
  compare,
  differenceText,
  type Files,
  inventoryOf,
  type Mistake,
} from 'unpack/core'
import sample from '../../../demo/repair-cafe/baseline.yaml?raw'

const text = document.querySelector<HTMLTextAreaElement>('#text')
const result = document.querySelector<HTMLElement>('#result')

/** The files beside the demo's baseline: texts, and pictures and archives as bytes. */
const DEMO = '../../../demo/repair-cafe/'
const texts = import.meta.glob<string>('../../../demo/repair-cafe/**/*.{md,opml}', {
  query: '?raw',
  import: 'default',
  eager: true,
})
const addresses = import.meta.glob<string>('../../../demo/repair-cafe/files/*.{png,zip}', {
  query: '?url',
  import: 'default',
  eager: true,
})
const bytes = await Promise.all(
  Object.entries(addresses).map(async ([name, address]) => {
    const answer = await fetch(address)
    return [name, new Uint8Array(await answer.arrayBuffer())] as const
  }),
)
const beside: Files = Object.fromEntries(
  [...Object.entries(texts), ...bytes].map(([name, content]) => [name.slice(DEMO.length), content]),
)

/** The files that a baseline names; others than the demo's are not at hand here, so each is taken as empty. */
const files = (baseline: string): Files =>
  Object.fromEntries(filesNamed(baseline, beside).map((name) => [name, beside[name] ?? '']))

const element = (name: string, content: string, className = ''): HTMLElement =>
  Object.assign(document.createElement(name), { textContent: content, className })

/** A mistake, as a button that leads to its place in the text. */
function mistakeItem({ at, path, what, expected, example }: Mistake): HTMLElement {
  const item = document.createElement('li')
  const place = Object.assign(document.createElement('button'), {
    type: 'button',
    textContent: `line ${at.line}, column ${at.column}`,
  })
  place.addEventListener('click', () => {
    if (!text) return
    const start =
      text.value
        .split('\n')
        .slice(0, at.line - 1)
        .join('\n').length +
      (at.line > 1 ? 1 : 0) +
      at.column -
      1
    text.focus()
    text.setSelectionRange(start, start + 1)
  })
  item.append(place, element('p', `${path ? `${path}: ` : ''}${what}`), element('p', `Expected: ${expected}`, 'quiet'))
  if (example) item.append(element('code', example))
  return item
}

/** What would be settled on an empty site, in the order of settling. */
function differencesOf(baseline: string): AnyDifference[] {
  const empty = inventoryOf(Object.fromEntries(areaNames.map((name) => [name, []])))
  return compare(readBaseline(baseline, files(baseline)).baseline, empty).differences
}

function show(): void {
  if (!text || !result) return
  const mistakes = mistakesIn(text.value, files(text.value))
  const list = document.createElement('ul')
  if (mistakes.length > 0) {
    list.className = 'mistakes'
    list.append(...mistakes.map(mistakeItem))
    result.replaceChildren(
      element('p', mistakes.length === 1 ? 'One mistake' : `${mistakes.length} mistakes`, 'verdict bad'),
      list,
    )
    return
  }
  for (const difference of differencesOf(text.value))
    list.append(element('li', `${areas[difference.area].title}: ${differenceText(difference)}`))
  result.replaceChildren(
    element('p', 'No mistakes', 'verdict'),
    element('p', 'On a site with nothing on it, this would be settled, in this order:', 'quiet'),
    list,
  )
}

if (text) {
  text.value = sample
  text.addEventListener('input', show)
  show()
}
