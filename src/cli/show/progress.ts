import pc from 'picocolors'
import type { RunEvent } from '../../engine/events.js'
import { allVisible } from '../../core/text/visible.js'
import { Pace } from './pace.js'

const words: Record<Extract<RunEvent, { is: 'phase' }>['phase'], string> = {
  survey: 'looking at',
  'sign in': 'signing in as',
  read: 'reading',
  compare: 'comparing',
  'first run': 'filling in the first-run form of',
  settle: 'settling',
  'read back': 'reading back',
  move: 'moving to',
  confirm: 'confirming',
}

/** Tells a run's progress on standard error, a line each; results go to standard output alone. */
export function progress(): (event: RunEvent) => void {
  const tell = (line: string) => process.stderr.write(`${line}\n`)
  const pace = new Pace()
  return (exact) => {
    const event = allVisible(exact)
    if (event.is === 'phase') tell(pc.dim(`· ${words[event.phase]} ${event.text}`))
    else if (event.is === 'to do') pace.begin(event.refs)
    else if (event.is === 'carried') {
      pace.did(event.refs.length)
      tell(pc.dim(`    ${[event.carrier, event.refs.join(', ')].filter((part) => part !== '').join(': ')}`))
      for (const ref of event.refused) tell(pc.red(`    refused: ${ref}`))
    } else if (event.is === 'waiting')
      tell(
        pc.dim(
          `· the site takes no more requests for ${Math.ceil(event.seconds)} s; going on then${pace.left(event.seconds)}`,
        ),
      )
  }
}
