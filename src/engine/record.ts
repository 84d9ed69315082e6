import { createHash } from 'node:crypto'
import {
  appendFileSync,
  chmodSync,
  closeSync,
  existsSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  writeSync,
} from 'node:fs'
import { join } from 'node:path'
import writeFileAtomic from 'write-file-atomic'
import { recordKey, type SiteAddress } from '../core/address.js'
import { Guard } from '../logins/guard.js'
import { reportHtml } from '../core/report/html.js'
import type { JournalLine, Report } from '../core/report/report.js'
import { reportXml } from '../core/report/xml.js'
import { makeFolder } from '../disk/make-folder.js'
import { fileTrouble } from '../disk/trouble.js'
import { allVisible } from '../core/text/visible.js'
import { structureOf } from './page-structure.js'
import type { KeptFile, RunRecord, KeptText } from './keeping.js'

type Entry = Omit<JournalLine, 'journal' | 'at'>

/** The folder of a run: its journal, copies of what it removed, pages that were not as expected, and its report. */
export class RecordFolder implements RunRecord {
  private constructor(
    readonly folder: string,
    private readonly guard: Guard,
  ) {}

  /**
   * Opens a new record below `root`; nobody but its owner may look into it.
   * @param guard knows what must not be in it
   * @throws UnpackError `folder-trouble`
   */
  static open(address: SiteAddress, root = 'unpack-record', now = new Date(), guard = new Guard()): RecordFolder {
    const time = now
      .toISOString()
      .replace(/\.\d+Z$/, 'Z')
      .replaceAll(':', '')
    const site = join(root, recordKey(address))
    let folder = join(site, time)
    for (let again = 2; existsSync(folder); again += 1) folder = join(site, `${time}-${again}`)
    return onDisk(folder, () => {
      makeFolder(folder)
      chmodSync(folder, 0o700)
      return new RecordFolder(folder, guard)
    })
  }

  /** Adds a line to the journal; it is on its way to the disk when this returns. */
  journal(entry: Entry): void {
    const line: JournalLine = { journal: 1, at: new Date().toISOString(), ...this.guard.all(entry) }
    const file = join(this.folder, 'journal.jsonl')
    onDisk(file, () => appendFileSync(file, `${JSON.stringify(line)}\n`, { mode: 0o600 }))
  }

  /** Keeps a copy of what is about to be removed; gives its name within the record. */
  keepCopy(ref: string, copy: object): string {
    const text = `${JSON.stringify(this.guard.all({ ref, ...copy }), null, 2)}\n`
    return this.#keep('removed', this.#nameFor('removed', ref, 'json'), text)
  }

  /** Keeps a file that is about to be removed, as it comes. */
  keepFile(ref: string): KeptFile {
    const name = `removed/${this.#nameFor('removed', ref, 'bin')}`
    const file = join(this.folder, name)
    const hash = createHash('sha256')
    let bytes = 0
    const handle = onDisk(file, () => openSync(file, 'wx', 0o600))
    return {
      name,
      add: async (part) => {
        onDisk(file, () => writeSync(handle, part))
        hash.update(part)
        bytes += part.length
      },
      end: () => {
        closeSync(handle)
        return { bytes, sha256: hash.digest('hex') }
      },
      drop: () => {
        closeSync(handle)
        rmSync(file, { force: true })
      },
    }
  }

  /** Keeps a page that was not as expected, by its structure: it may hold names of customers and members. */
  keepPage(name: string, text: string): string {
    return this.#keep('pages', this.#nameFor('pages', name, 'html'), this.guard.text(structureOf(text)))
  }

  /** A name of its own, whatever is kept: two refs may read alike, and some are longer than any file's name may be. */
  #nameFor(inside: string, ref: string, ending: string): string {
    const folder = join(this.folder, inside)
    onDisk(folder, () => makeFolder(folder))
    const number = String(readdirSync(folder).length + 1).padStart(4, '0')
    const readable = Array.from(ref.replace(/[^\p{L}\p{N}-]+/gu, '_'))
      .slice(0, 40)
      .join('')
    return `${number}-${this.guard.text(readable)}.${ending}`
  }

  #keep(inside: string, name: string, text: string): string {
    const file = join(this.folder, inside, name)
    onDisk(file, () => writeFileAtomic.sync(file, text, { mode: 0o600 }))
    return `${inside}/${name}`
  }

  /** Writes the run's account for people, for programs and for what shows test results. */
  report(report: Report): void {
    const plain = this.guard.all(report)
    this.#write('report.xml', reportXml(allVisible(plain)))
    this.#write('report.json', `${JSON.stringify(plain, null, 2)}\n`)
    this.#write('report.html', reportHtml(allVisible(plain)))
  }

  exchange(): KeptText {
    const file = join(this.folder, 'exchange.har')
    const part = `${file}.part`
    const handle = onDisk(part, () => openSync(part, 'wx', 0o600))
    return {
      add: (piece) => onDisk(part, () => writeSync(handle, piece)),
      end: () => {
        onDisk(file, () => {
          closeSync(handle)
          renameSync(part, file)
        })
      },
    }
  }

  #write(name: string, text: string): void {
    const file = join(this.folder, name)
    onDisk(file, () => writeFileAtomic.sync(file, text, { mode: 0o600 }))
  }
}

function onDisk<T>(file: string, act: () => T): T {
  try {
    return act()
  } catch (error) {
    throw fileTrouble(error, file)
  }
}
