import { baselineJsonSchema } from './schema.js'

/** The few keywords of JSON Schema that explaining a mistake needs. */
export interface SchemaNode {
  type?: string
  description?: string
  examples?: unknown[]
  enum?: unknown[]
  const?: unknown
  properties?: Record<string, SchemaNode>
  required?: string[]
  items?: SchemaNode
  additionalProperties?: SchemaNode | boolean
  propertyNames?: SchemaNode
  anyOf?: SchemaNode[]
  $ref?: string
  $defs?: Record<string, SchemaNode>
}

let made: SchemaNode | undefined
/** Made when the first mistake is explained, and then kept. */
const root = (): SchemaNode => (made ??= baselineJsonSchema() as SchemaNode)

const resolve = (node: SchemaNode): SchemaNode => {
  const name = node.$ref?.split('/').at(-1)
  return name === undefined ? node : { ...root().$defs?.[name], ...node, $ref: undefined }
}
const optionsOf = (node: SchemaNode): SchemaNode[] => [node, ...(node.anyOf ?? [])].map(resolve)

/** The part of the schema that describes a path, as far as the path is known. */
export function schemaAt(path: readonly PropertyKey[]): SchemaNode {
  let node = resolve(root())
  for (const step of path) {
    const options = optionsOf(node)
    const next =
      typeof step === 'number'
        ? options.find((o) => o.items)?.items
        : (options.find((o) => o.properties?.[String(step)])?.properties?.[String(step)] ??
          options.flatMap(({ additionalProperties: any }) => (typeof any === 'object' ? [any] : []))[0])
    if (!next) return {}
    node = resolve(next)
  }
  return node
}

/** The keys that may stand at a path; in one of several forms, those of any. */
export const keysAt = (path: readonly PropertyKey[]): string[] => [
  ...new Set(optionsOf(schemaAt(path)).flatMap((option) => Object.keys(option.properties ?? {}))),
]

/** The forms that a group may have at a path, each by the keys that it can't be without: `{ label: …, link: … }`. */
export const formsAt = (path: readonly PropertyKey[]): string[] =>
  optionsOf(schemaAt(path)).flatMap(({ properties, required = [] }) => (properties ? [formText(required)] : []))
const formText = (keys: readonly string[]): string => `{ ${keys.map((key) => `${key}: …`).join(', ')} }`

/** What may stand at a path, in words. */
export function expectedAt(path: readonly PropertyKey[]): string {
  const node = schemaAt(path)
  const options = (node.anyOf ?? [node]).map(resolve)
  const all = options.map((option) => say(option, options.length > 1))
  return all.length < 3 ? all.join(', or ') : `${all.slice(0, -1).join(', ')}, or ${all.at(-1) ?? ''}`
}

const types: Readonly<Record<string, string>> = {
  string: 'a text',
  boolean: 'true or false',
  integer: 'a whole number',
  number: 'a number',
  array: 'a list',
  object: 'a group of keys',
  null: 'nothing',
}

function say(node: SchemaNode, isOneOfSeveral: boolean): string {
  if (node.const !== undefined) return JSON.stringify(node.const).replaceAll('"', '')
  if (node.enum) return node.enum.map(String).join(' or ')
  const keys = Object.keys(node.properties ?? {})
  if (isOneOfSeveral && keys.length > 0 && node.required?.length) return formText(node.required)
  if (keys.length > 0) return `a group of keys (${keys.slice(0, 6).join(', ')}${keys.length > 6 ? ', …' : ''})`
  const { type } = node
  if (type === 'string' && isLikeNumber(node.examples?.[0])) return 'a text in quotes'
  return (type === undefined ? undefined : types[type]) ?? 'a value as in the example'
}

/** Where in the format a key stands, nearest to the top first: `publishing.feed`. Keys that are their owner's own words have no place. */
export function placesOf(key: string): string[] {
  const places: string[] = []
  let level: { node: SchemaNode; path: string }[] = [{ node: resolve(root()), path: '' }]
  for (let depth = 0; depth < 5; depth += 1) {
    const inner: typeof level = []
    for (const { node, path } of level)
      for (const option of optionsOf(node)) {
        for (const [name, child] of Object.entries(option.properties ?? {})) {
          if (name === key) places.push(path)
          // what stands within itself is found at its first place
          if (name !== 'under') inner.push({ node: resolve(child), path: path === '' ? name : `${path}.${name}` })
        }
        if (option.items) inner.push({ node: resolve(option.items), path })
      }
    level = inner
  }
  return [...new Set(places)]
}

/** How a right line could look: `timezone: Europe/London`. */
export function exampleAt(path: readonly PropertyKey[]): string | undefined {
  const at = path.findLastIndex((step) => typeof step === 'string')
  const own = path[at]
  // a key of its owner's own is not repeated
  const isKnown = own === undefined || at === 0 || keysAt(path.slice(0, at)).includes(String(own))
  const key = isKnown ? own : (textIn(schemaAt(path.slice(0, at)).propertyNames?.examples?.[0]) ?? 'main')
  const node = schemaAt(path)
  const value =
    node.examples?.[0] ??
    node.const ??
    node.enum?.[0] ??
    node.anyOf?.[0]?.enum?.[0] ??
    (node.type === 'boolean' ? false : undefined) ??
    (node.type === 'string' ? 'Repairs' : undefined)
  if (value === undefined || key === undefined) return undefined
  // an item of a list is shown in one
  const shown = path.slice(at + 1).reduce<unknown>((inner) => [inner], value)
  return `${String(key)}: ${flow(shown)}`
}

const textIn = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined)
const flow = (value: unknown): string =>
  Array.isArray(value)
    ? `[${value.map(flow).join(', ')}]`
    : typeof value === 'object' && value !== null
      ? `{ ${Object.entries(value)
          .map(([key, inner]) => `${key}: ${flow(inner)}`)
          .join(', ')} }`
      : isLikeNumber(value)
        ? `"${String(value)}"`
        : String(value)

/** A text that YAML would take for a number without quotes. */
const isLikeNumber = (value: unknown): boolean => typeof value === 'string' && /^[+-]?\d[\d .]*$/.test(value)
