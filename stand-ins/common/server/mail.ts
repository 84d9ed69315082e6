import { createTransport } from 'nodemailer'

/** Sends a mail over SMTP (RFC 5321), as a site does. */
export async function sendMail(
  port: number,
  mail: { to: string; subject: string; text: string; from?: string },
): Promise<void> {
  const transport = createTransport({ host: '127.0.0.1', port, secure: false, ignoreTLS: true })
  await transport.sendMail({ from: 'site@stand-in.example', ...mail })
  transport.close()
}
