import { Parser } from 'htmlparser2'

/** What of a tag tells which page it is, and nothing of a person. */
const kept = new Set(['id', 'class', 'name', 'type', 'method', 'for', 'role', 'lang', 'rel'])
const empty = new Set(['area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'source', 'wbr'])
const silent = new Set(['script', 'style'])

/**
 * A page or document by its structure: tags with what they are called, texts by their length, of JSON the keys. A screen of orders
 * or accounts that came otherwise than expected can be told by that, and holds no names.
 */
export function structureOf(text: string): string {
  try {
    return JSON.stringify(shapeOf(JSON.parse(text)), null, 1)
  } catch {
    return htmlStructure(text)
  }
}

/** A JSON value with its words and numbers left out; of a list its first entries. */
function shapeOf(value: unknown): unknown {
  if (Array.isArray(value)) return [...value.slice(0, 3).map(shapeOf), `${value.length} entries`]
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, shapeOf(one)]))
  return typeof value === 'string' ? `${value.length} characters` : typeof value
}

/** What something is called on a page; names with numbers or authors in them may be someone's. */
const namesOf = (value: string): string =>
  value
    .split(/\s+/)
    .map((one) => (/^[\w:#./-]{1,40}$/.test(one) && !/\d{3}|author|user-/i.test(one) ? one : '…'))
    .join(' ')
    .slice(0, 120)

function htmlStructure(html: string): string {
  const parts: string[] = []
  const write = (part: string) => parts.push(part)
  let inside = ''
  let length = 0
  const flush = () => {
    if (length > 0) write(`[${length}]`)
    length = 0
  }
  const parser = new Parser({
    onopentag(name, attributes) {
      flush()
      const own = Object.entries(attributes)
        .filter(([key]) => kept.has(key))
        .map(([key, value]) => ` ${key}="${namesOf(value)}"`)
      write(`<${name}${own.join('')}>`)
      inside = name
    },
    ontext(part) {
      if (!silent.has(inside)) length += part.trim().length
    },
    onclosetag(name) {
      flush()
      if (!empty.has(name)) write(`</${name}>\n`)
      inside = ''
    },
  })
  parser.write(html)
  parser.end()
  flush()
  return parts.join('')
}
