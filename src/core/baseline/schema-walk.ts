import { baselineJsonSchema } from './schema.js'

/** The few keywords of JSON Schema that explaining a mistake needs. */
export interface SchemaNode {
  type?: string
  description?: string
  examples?: unknown[]
  enum?: unknown[]
  const?: unknown
  properties?: Record<string, SchemaNode>
  items?: SchemaNode
  additionalProperties?: SchemaNode | boolean
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

/** The part of the schema that describes a path, as far as the path is known. */
export function schemaAt(path: readonly PropertyKey[]): SchemaNode {
  let node = resolve(root())
  for (const step of path) {
    const options = [node, ...(node.anyOf ?? [])].map(resolve)
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

/** The keys that may stand at a path. */
export const keysAt = (path: readonly PropertyKey[]): string[] => {
  const node = schemaAt(path)
  return [node, ...(node.anyOf ?? [])].map(resolve).flatMap((option) => Object.keys(option.properties ?? {}))
}

/** What may stand at a path, in words. */
export function expectedAt(path: readonly PropertyKey[]): string {
  const say = (node: SchemaNode): string => {
    if (node.const !== undefined) return JSON.stringify(node.const).replaceAll('"', '')
    if (node.enum) return node.enum.map(String).join(' or ')
    if (node.type === 'array') return 'a list'
    if (node.properties)
      return `a group of keys (${Object.keys(node.properties).slice(0, 6).join(', ')}${Object.keys(node.properties).length > 6 ? ', …' : ''})`
    if (node.type === 'string') return 'a text'
    return node.type === undefined ? 'something else' : `a ${node.type}`
  }
  const node = schemaAt(path)
  return (node.anyOf ?? [node]).map(resolve).map(say).join(', or ')
}

/** How a right line could look: `timezone: Europe/London`. */
export function exampleAt(path: readonly PropertyKey[]): string | undefined {
  const at = path.findLastIndex((step) => typeof step === 'string')
  const own = path[at]
  // a key of its owner's own is not repeated
  const key = own === undefined || at === 0 || keysAt(path.slice(0, at)).includes(String(own)) ? own : 'main'
  const node = schemaAt(path)
  const value =
    node.examples?.[0] ??
    node.const ??
    node.enum?.[0] ??
    node.anyOf?.[0]?.enum?.[0] ??
    (node.type === 'string' ? 'Repairs' : undefined)
  return value === undefined || key === undefined ? undefined : `${String(key)}: ${flow(value)}`
}

const flow = (value: unknown): string =>
  Array.isArray(value)
    ? `[${value.map(flow).join(', ')}]`
    : typeof value === 'object' && value !== null
      ? `{ ${Object.entries(value)
          .map(([key, inner]) => `${key}: ${flow(inner)}`)
          .join(', ')} }`
      : String(value)
