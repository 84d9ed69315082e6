import { randomBytes } from 'node:crypto'
import { page } from '../html.js'
import { sendMail } from '../../../common/server/mail.js'
import { languages, weekdays, type Blog } from '../model.js'
import type { Office } from '../../../common/server/office.js'

const zones = ['UTC', ...Intl.supportedValuesOf('timeZone')]
const known = (all: readonly string[], value: string): boolean => all.includes(value)

/** What the blog is called, how it writes dates, and where it is found. */
export function settings(office: Office, blog: Blog, mailPort?: number): void {
  office.get('/settings', (request, reply) => {
    const { settings: now, uploads, waitingContact } = blog
    const fields = [
      { name: 'title', label: 'Title', value: now.title },
      { name: 'description', label: 'Description', value: now.description },
      { name: 'language', label: 'Language', value: now.language, choices: languages },
      { name: 'timezone', label: 'Time zone', value: now.timezone, choices: zones },
      { name: 'date', label: 'Dates, as a pattern', value: now.date },
      { name: 'time', label: 'Times, as a pattern', value: now.time },
      { name: 'weekStarts', label: 'Weeks start on', value: now.weekStarts, choices: weekdays },
      { name: 'contact', label: 'Contact', value: now.contact, kind: 'email' as const },
      { name: 'icon', label: 'Icon', value: String(now.icon), choices: ['0', ...uploads.map(({ id }) => String(id))] },
      { name: 'address', label: 'Address of this blog', value: now.address },
      { name: 'hidden', label: 'Turn search engines away', value: now.searchEngines ? '' : '1', kind: 'box' as const },
    ]
    const waits = waitingContact ? '<p id="waits">A new contact address waits for its mail to be answered.</p>' : ''
    return office.screen(reply, 'settings', waits + office.editor(request, '/settings', fields))
  })
  // the form is taken as it comes: what is not in it becomes empty, and what the menus don't hold is passed over
  office.post('/settings', '/settings', async (body) => {
    const { title = '', description = '', language = '', timezone = '', date = '', time = '' } = body
    const { weekStarts = '', contact = '', icon = '0', address = '', hidden } = body
    const now = blog.settings
    Object.assign(now, { title, description, date, time, address, searchEngines: hidden !== '1' })
    if (known(languages, language)) now.language = language
    if (known(zones, timezone)) now.timezone = timezone
    if (known(weekdays, weekStarts)) now.weekStarts = weekStarts
    if (icon === '0' || blog.uploads.some(({ id }) => String(id) === icon)) now.icon = Number(icon)
    if (contact === now.contact) return undefined
    if (mailPort === undefined) now.contact = contact
    else await askByMail(office, blog, contact, mailPort)
    return undefined
  })
  office.app.get<{ Params: { key: string } }>(`${office.base}contact/:key`, (request, reply) => {
    const { waitingContact: waits } = blog
    const right = waits?.key === request.params.key
    if (waits && right) {
      blog.settings.contact = waits.address
      blog.waitingContact = undefined
    }
    const text = right ? 'Thank you: this is the contact address now.' : 'This link is of no use any more.'
    return reply
      .status(right ? 200 : 410)
      .type('text/html')
      .send(page({ title: 'Contact', lang: 'en', body: `<main><p>${text}</p></main>` }))
  })
}

/** The new address gets a mail first, and counts when the link in it was opened. */
async function askByMail(office: Office, blog: Blog, address: string, port: number): Promise<void> {
  const key = randomBytes(12).toString('hex')
  blog.waitingContact = { address, key }
  const home = blog.settings.address || here(office)
  await sendMail(port, {
    to: address,
    subject: `[${blog.settings.title}] Is this your address?`,
    text: `Somebody, you we hope, wants the blog “${blog.settings.title}” to write here.\nIf so, open this: ${home}contact/${key}\n`,
  })
}

function here({ app, base }: Office): string {
  const at = app.server.address()
  return `http://127.0.0.1:${typeof at === 'object' && at ? at.port : 80}${base}`
}
