import { readdirSync, readFileSync } from 'node:fs'
import assert from 'node:assert/strict'
import { join } from 'node:path'
import { after, before } from 'node:test'
import { Ajv2020 } from 'ajv/dist/2020.js'
import formats from 'ajv-formats'
import { LoginsFile, Secret } from 'unpack'
import { unpack, type Ran } from './cli.js'
import { folder } from './folders.js'
import { root as project } from './root.js'
import { PASSPHRASE, runningStandIn, type RunningStandIn } from './sites.js'

const docs = join(project, 'docs/schemas')
const ajv = formats.default(new Ajv2020({ allowUnionTypes: true }))
const validate = Object.fromEntries(
  readdirSync(docs).map((file) => [
    file.replace('.schema.json', ''),
    ajv.compile(JSON.parse(readFileSync(join(docs, file), 'utf8')) as object),
  ]),
)

/** What a command printed as JSON, held against its schema in docs. */
export function json(ran: Ran, schema: string): Record<string, unknown> {
  const document = JSON.parse(ran.out) as Record<string, unknown>
  assert.ok(validate[schema]?.(document), JSON.stringify(validate[schema]?.errors))
  return document
}

/** A folder, an environment and stand-ins for tests of the command line; gone when the test file ends. */
export function cliLab() {
  const root = folder()
  const env = {
    UNPACK_STATE: join(root, 'state'),
    UNPACK_LOGINS: join(root, 'logins.json'),
    UNPACK_PASSPHRASE: PASSPHRASE,
  }
  const open: RunningStandIn[] = []
  before(async () => {
    // a logins file that opens at once: what is tested here is not its slowness
    const logins = await LoginsFile.open(env.UNPACK_LOGINS, new Secret(PASSPHRASE), 4)
    await logins.put('http://127.0.0.1:1/', 'nobody', new Secret('x'))
  })
  after(() => Promise.all(open.map((standIn) => standIn.close())))
  return {
    root,
    env,
    stand: async (standing: 'placeholder' | 'first-run' | 'fresh' | 'in-use' = 'first-run') => {
      const standIn = await runningStandIn(root, { standing })
      open.push(standIn)
      return standIn
    },
    run: (args: string[], more: Parameters<typeof unpack>[1] = {}) =>
      unpack(args, { cwd: root, ...more, env: { ...env, ...more.env } }),
  }
}
