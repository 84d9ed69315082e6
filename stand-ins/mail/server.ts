import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { SMTPServer } from 'smtp-server'

/** A stand-in mail server that is running. */
export interface StandInMail {
  port: number
  close(): Promise<void>
}

const MOST_BYTES = 4 * 1024 * 1024

/**
 * Takes every mail that is sent to it over SMTP (RFC 5321) and keeps each as a file (RFC 5322); sends none on.
 * @param folder where the mails go, as 1.eml, 2.eml and so on
 * @param port where it listens on 127.0.0.1; 0 finds a free one
 * @example const mail = await standInMail('mails'); await mail.listen(2525)
 */
export async function standInMail(folder: string, port = 0): Promise<StandInMail> {
  mkdirSync(folder, { recursive: true })
  let next = 1
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: MOST_BYTES,
    logger: false,
    onData(stream, _session, done) {
      const parts: Buffer[] = []
      stream.on('data', (part: Buffer) => parts.push(part))
      stream.on('end', () => {
        writeFileSync(join(folder, `${next++}.eml`), Buffer.concat(parts), { mode: 0o600 })
        done()
      })
    },
  })
  await new Promise<void>((resolve, reject) => {
    server.on('error', reject)
    server.listen(port, '127.0.0.1', () => {
      resolve()
    })
  })
  const at = server.server.address()
  return {
    port: typeof at === 'object' && at ? at.port : port,
    close: () =>
      new Promise((resolve) => {
        server.close(resolve)
      }),
  }
}
