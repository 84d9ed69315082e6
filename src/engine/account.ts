import type { Remark } from '../core/compare.js'
import type { Guard } from '../logins/guard.js'
import { version } from '../package.js'
import { harOf } from '../web/har.js'
import { Traffic } from '../web/traffic.js'
import type { RunEvent } from './events.js'
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
    this.options.on?.(this.guard.all(event))
  }

  /** What was asked of the site and answered, as a HAR log. */
  exchange(): string {
    return harOf(this.traffic.exchanges, this.traffic.began, this.guard, version())
  }
}
