import { appendFileSync, chmodSync, existsSync, mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { recordKey, type SiteAddress } from '../core/address.js'
import { reportHtml } from '../core/report/html.js'
import { reportXml } from '../core/report/xml.js'
import type { JournalLine, Report } from '../core/report/report.js'

type Entry = Omit<JournalLine, 'journal' | 'at'>

/** The folder of a run: its journal, copies of what it removed, pages that were not as expected, and its report. */
export class Record {
  private constructor(readonly folder: string) {}

  /** Opens a new record below `root`; nobody but its owner may look into it. */
  static open(address: SiteAddress, root = 'unpack-record', now = new Date()): Record {
    const time = now
      .toISOString()
      .replace(/\.\d+Z$/, 'Z')
      .replaceAll(':', '')
    const site = join(root, recordKey(address))
    let folder = join(site, time)
    for (let again = 2; existsSync(folder); again += 1) folder = join(site, `${time}-${again}`)
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    chmodSync(folder, 0o700)
    return new Record(folder)
  }

  /** Adds a line to the journal; it is on its way to the disk when this returns. */
  journal(entry: Entry): void {
    const line: JournalLine = { journal: 1, at: new Date().toISOString(), ...entry }
    appendFileSync(join(this.folder, 'journal.jsonl'), `${JSON.stringify(line)}\n`, { mode: 0o600 })
  }

  /** Keeps a copy of what is about to be removed; gives its name within the record. */
  keepCopy(ref: string, copy: unknown): string {
    return this.#keep(
      'removed',
      `${ref.replace(/[^\p{L}\p{N}]+/gu, '_')}.json`,
      `${JSON.stringify({ ref, copy }, null, 2)}\n`,
    )
  }

  /** Keeps a page that was not as expected. */
  keepPage(name: string, text: string): string {
    return this.#keep('pages', `${name.replace(/[^\p{L}\p{N}]+/gu, '_')}.html`, text)
  }

  #keep(inside: string, name: string, text: string): string {
    mkdirSync(join(this.folder, inside), { recursive: true, mode: 0o700 })
    writeFileSync(join(this.folder, inside, name), text, { mode: 0o600 })
    return `${inside}/${name}`
  }

  /** Writes the run's account for people, for programs and for what shows test results. */
  report(report: Report): void {
    writeFileSync(join(this.folder, 'report.xml'), reportXml(report), { mode: 0o600 })
    writeFileSync(join(this.folder, 'report.json'), `${JSON.stringify(report, null, 2)}\n`, { mode: 0o600 })
    writeFileSync(join(this.folder, 'report.html'), reportHtml(report), { mode: 0o600 })
  }

  /** Writes what was asked of the site and answered, as a HAR log. */
  exchange(har: string): void {
    writeFileSync(join(this.folder, 'exchange.har'), har, { mode: 0o600 })
  }
}
