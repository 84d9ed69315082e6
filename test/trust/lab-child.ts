import { readFileSync } from 'node:fs'
import { chooseAll, LoginsFile, Secret, settle } from 'unpack'
import { baselineFile } from '../../src/disk/baseline-file.js'
import { PASSPHRASE } from '../help/sites.js'

/** A run on a real site through the server that troubles: a process of its own, that can die. */
interface Told {
  plan: string
  address: string
  port: number
  state: string
  records: string
  logins: string
  leave: string[]
}
const told = JSON.parse(readFileSync(process.argv[2] ?? '', 'utf8')) as Told
const logins = await LoginsFile.open(told.logins, new Secret(PASSPHRASE))
await settle(
  { ...baselineFile(told.plan, told.address), leave: told.leave },
  {
    logins,
    state: told.state,
    records: told.records,
    confirm: false,
    choose: chooseAll,
    resolve: () => ({ host: '127.0.0.1', port: told.port }),
  },
).catch(() => undefined)
process.exit()
