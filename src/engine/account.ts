import type { Remark } from '../core/compare.js'
import type { Guard } from '../logins/guard.js'
import { version } from '../package.js'
import { HarLog } from '../web/har.js'
import { Traffic } from '../web/traffic.js'
import type { KeptText, RunRecord } from './keeping.js'
import { emit, type RunEvent } from './events.js'
import type { SurveyOptions } from './options.js'

/** What a run has to tell, without a secret in it: events while they happen, remarks, and what was asked and answered. */
export class Account {
  readonly traffic: Traffic
  constructor(
    readonly guard: Guard,
    /** What is worth knowing of the baseline's own files. */
    readonly remarks: readonly Remark[],
    private readonly options: Pick<SurveyOptions, 'on' | 'watch'>,
  ) {
    this.traffic = new Traffic(options.watch)
  }

  tell(event: RunEvent): void {
    emit(this.options.on, this.guard.all(event))
  }

  #until = 0
  /** The site has asked to be left alone for so long; of several that wait side by side, one tells. */
  waits(seconds: number): void {
    const until = Date.now() + seconds * 1000
    if (until > this.#until + 1000) this.tell({ is: 'waiting', seconds })
    this.#until = Math.max(until, this.#until)
  }

  #log: { har: HarLog; file: KeptText } | undefined
  /** From now on what is asked of the site and answered goes into a record, as a HAR log. */
  recordIn(record: RunRecord): void {
    this.endLog()
    const file = record.exchange()
    const har = new HarLog(this.traffic.began, this.guard, version(), (text) => {
      file.add(text)
    })
    this.#log = { har, file }
    this.traffic.take((exchange) => {
      har.add(exchange)
    })
  }
  /** Ends that log; what is asked later is in none. */
  endLog(): void {
    if (!this.#log) return
    this.traffic.take(() => undefined)
    this.#log.har.end()
    this.#log.file.end()
    this.#log = undefined
  }
}
