import { UnpackError } from '../core/errors.js'
import type { Run } from './run.js'

/** Reads a site; a page that is not the one that was asked for is kept in a record, even where nothing else is begun. */
export async function keepingPages<T>(run: Run, read: () => Promise<T>): Promise<T> {
  try {
    return await read()
  } catch (error) {
    if (!(error instanceof UnpackError) || error.page === undefined) throw error
    const record = run.record(new Date())
    record.journal({ event: 'opened' })
    const page = record.keepPage('unexpected', error.page)
    record.journal({ event: 'closed', ok: false, why: error.message })
    throw error.withNext(`What came instead is kept: ${record.folder}/${page}`)
  }
}
