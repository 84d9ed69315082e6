import assert from 'node:assert/strict'
import { join } from 'node:path'
import { test } from 'node:test'
import ts from 'typescript'
import { root } from '../help/root.js'

const entries = ['src/index.ts', 'src/systems/index.ts', 'src/conformance/index.ts', 'stand-ins/index.ts'].map((file) =>
  join(root, file),
)
const { config } = ts.readConfigFile(join(root, 'tsconfig.json'), (file) => ts.sys.readFile(file)) as { config: object }
const { options } = ts.parseJsonConfigFileContent(config, ts.sys, root)
const program = ts.createProgram(entries, { ...options, noEmit: true })
const checker = program.getTypeChecker()
const real = (symbol: ts.Symbol): ts.Symbol =>
  symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol
const exportsOf = (file: string): ts.Symbol[] => {
  const source = program.getSourceFile(file)
  const symbol = source && checker.getSymbolAtLocation(source)
  return symbol ? checker.getExportsOfModule(symbol).map(real) : []
}
const isOurs = (node: ts.Node): boolean =>
  /\/(?:src|stand-ins)\//.test(node.getSourceFile().fileName) && !/node_modules/.test(node.getSourceFile().fileName)

test('every name that a program can import says what it is', () => {
  const silent = entries.flatMap((file) =>
    exportsOf(file).filter(
      (symbol) => symbol.declarations?.some(isOurs) && symbol.getDocumentationComment(checker).length === 0,
    ),
  )
  assert.deepEqual(
    silent.map(({ name }) => name),
    [],
  )
})

/** The types that a declaration names on its outside: what is private, and what stands in a body, is its own. */
function namedIn(node: ts.Node, found: ts.Node[] = []): ts.Node[] {
  if (ts.isBlock(node) || (ts.isPropertyDeclaration(node) && ts.isPrivateIdentifier(node.name))) return found
  if (ts.isTypeReferenceNode(node)) found.push(node.typeName)
  else if (ts.isExpressionWithTypeArguments(node)) found.push(node.expression)
  const isCallable = ts.isFunctionDeclaration(node) || ts.isMethodDeclaration(node) || ts.isArrowFunction(node)
  if (isCallable) for (const part of [...node.parameters, ...(node.type ? [node.type] : [])]) namedIn(part, found)
  else
    ts.forEachChild(node, (child) => {
      namedIn(child, found)
    })
  return found
}

test('every type that a call of `unpack` takes or gives can be imported as well', () => {
  const [main = ''] = entries
  const all = new Set(exportsOf(main))
  for (const symbol of all)
    for (const declaration of (symbol.declarations ?? []).filter(isOurs))
      for (const name of namedIn(declaration)) {
        const at = checker.getSymbolAtLocation(name)
        const type = at && real(at)
        const [own] = type?.declarations ?? []
        if (!type || !own || !isOurs(own) || ts.isTypeParameterDeclaration(own)) continue
        assert.ok(all.has(type), `${symbol.name} names ${type.name}`)
      }
})
