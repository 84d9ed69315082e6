import type { Keeping } from './keeping.js'
import { RecordFolder } from './record.js'
import { State } from './state.js'

/**
 * Keeps everything in folders of this machine.
 * @param state the state folder
 * @param records where records go
 * @example await settle(baseline, { logins, keeping: onDisk('/srv/unpack/state', '/srv/unpack/records') })
 */
export const onDisk = (state?: string, records?: string): Keeping => ({
  memory: (address) => State.of(address, state),
  record: (address, started, guard) => RecordFolder.open(address, records, started, guard),
})
