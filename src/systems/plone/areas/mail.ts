import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { settings } from '../carriers/settings.js'
import { refusal } from '../refusal.js'
import { panels, panelPlace } from '../panels.js'
import type { PloneSession } from '../session.js'

const PORTS: Readonly<Record<string, number>> = { 'smtp:': 25, 'smtps:': 465 }

export const mail: AreaOnSystem<'mail', PloneSession> = {
  can: { signature: { never: 'this system has no line that stands under its mails' } },
  async read(session) {
    const { smtp_host, smtp_port, email_from_address, email_from_name } = await panels.mail(session)
    const server =
      smtp_host === ''
        ? ''
        : `smtp://${smtp_host}${smtp_port === null || smtp_port === undefined ? '' : `:${smtp_port}`}`
    return [{ id: 'mail', item: { from: email_from_address, name: email_from_name, server } }]
  },
  async try({ arrivesAt: to = '' }, { session, text }) {
    const message = { to, from: to, name: 'Unpack', subject: 'Unpack tries the mail of this site', message: text }
    const answer = await session.rest('POST', '@email-send', message)
    return answer.status < 300
      ? { came: 'sent' }
      : { came: 'refused', detail: `the site could not send it: ${refusal(answer)}` }
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { from, name, server } = difference.wanted
      const url = server === undefined ? undefined : new URL(server)
      const values = {
        ...(from !== undefined && { email_from_address: from }),
        ...(name !== undefined && { email_from_name: name }),
        ...(url && { smtp_host: url.hostname, smtp_port: Number(url.port) || (PORTS[url.protocol] ?? 25) }),
      }
      return [Step.of(settings, { place: panelPlace('mail'), values }, { proves: [difference] })]
    }),
}
