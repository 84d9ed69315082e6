import type { AnyDifference } from '../core/areas/index.js'
import type { SomeFound } from '../core/comparing/result.js'
import { UnpackError } from '../core/errors.js'
import type { Session } from '../systems/session.js'
import type { RunRecord } from './keeping.js'
import type { Agenda } from './settling/agenda.js'

/** Bytes of one upload that are kept. */
const MOST = 256 * 1024 * 1024

/** What of somebody's goes, or is written over. */
const losing = (difference: AnyDifference): SomeFound | undefined =>
  difference.is === 'left over' || (difference.is === 'different' && difference.overwrites)
    ? (difference.found as SomeFound)
    : undefined

/**
 * Keeps copies of what goes and of what is written over, before anything of it is sent. What can't be kept stays where it is.
 * @returns the differences that may go on; why others may not, and the names of copies, are on the agenda
 */
export async function keepCopies(
  session: Session,
  differences: readonly AnyDifference[],
  record: RunRecord,
  agenda: Agenda,
): Promise<AnyDifference[]> {
  const going: AnyDifference[] = []
  for (const difference of differences) {
    const trouble = await keep(session, difference, record, agenda)
    if (trouble === undefined) going.push(difference)
    else agenda.refuse(difference.ref, { code: 'not-kept', text: UnpackError.of('not-kept', { why: trouble }).message })
  }
  return going
}

async function keep(
  session: Session,
  difference: AnyDifference,
  record: RunRecord,
  agenda: Agenda,
): Promise<string | undefined> {
  const found = losing(difference)
  // a run that goes on has kept it already
  if (!found || agenda.copyOf(difference.ref) !== undefined) return undefined
  const { ref, item, copy, file } = found
  const kept =
    file === undefined || difference.is !== 'left over' ? undefined : await keepBytes(session, ref, file, record)
  if (kept && 'trouble' in kept) return kept.trouble
  agenda.keep(difference.ref, record.keepCopy(ref, { item, copy, ...kept }))
  return undefined
}

async function keepBytes(
  { visitor }: Session,
  ref: string,
  from: string,
  record: RunRecord,
): Promise<{ trouble: string } | { file: string; bytes: number; sha256: string }> {
  const kept = record.keepFile(ref)
  let size = 0
  try {
    const answer = await visitor.get(from, {
      most: 600_000,
      into: async (part) => {
        size += part.length
        if (size > MOST) throw UnpackError.of('answer-too-large', { url: from, most: '256 MiB' })
        await kept.add(part)
      },
    })
    if (answer.status !== 200) {
      kept.drop()
      return { trouble: `its file answers HTTP ${answer.status}` }
    }
    return { file: kept.name, ...kept.end() }
  } catch (error) {
    kept.drop()
    if (error instanceof UnpackError && error.code === 'answer-too-large')
      return { trouble: 'it has more than 256 MiB' }
    throw error
  }
}
