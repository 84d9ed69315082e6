/** Writes what the docs take from the code: schemas, the table of what is proven, the reference. `npm run docs`. */
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { schemas } from '../src/cli/schemas.js'
import { root } from '../test/help/root.js'
import { writeReference } from './reference.js'
import { provenTable } from './proven-table.js'

mkdirSync(join(root, 'docs/schemas'), { recursive: true })
for (const [name, schema] of Object.entries(schemas))
  writeFileSync(join(root, `docs/schemas/${name}.schema.json`), `${JSON.stringify(schema(), null, 2)}\n`)

const readme = join(root, 'README.md')
if (existsSync(readme)) {
  const text = readFileSync(readme, 'utf8')
  writeFileSync(
    readme,
    text.replace(
      /(<!-- proven -->\n)[\s\S]*?(<!-- \/proven -->)/,
      (_, open: string, close: string) => `${open}${provenTable(root)}${close}`,
    ),
  )
}
process.stdout.write(`docs/schemas: ${readdirSync(join(root, 'docs/schemas')).length} files\n`)
process.stdout.write(`docs/reference: ${await writeReference()} files\n`)
