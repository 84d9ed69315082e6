import type { FastifyInstance, FastifyReply } from 'fastify'
import { esc, form, page, type Field } from './html.js'
import { extras, languages, type Shop } from './model.js'
import { setUp } from './ships.js'

export const currencies = Intl.supportedValuesOf('currency')
const linesOf = (text = ''): string[] => text.split(/\r?\n/).filter((line) => line !== '')

const fields: readonly Field[] = [
  { name: 'title', label: 'What is the shop called?', value: '' },
  { name: 'username', label: 'User name', value: '' },
  { name: 'email', label: 'E-mail', value: '', kind: 'email' },
  { name: 'password', label: 'Password, ten characters or more', value: '', kind: 'password' },
  { name: 'language', label: 'Language', value: 'en', choices: languages },
  { name: 'country', label: 'In which country is it? Two letters', value: 'US' },
  { name: 'currency', label: 'Currency', value: 'USD', choices: currencies },
  { name: 'trade', label: 'What do you sell? A line each', value: '', kind: 'long' },
  { name: 'posted', label: 'Goods are posted', value: '1', kind: 'box' },
  { name: 'downloaded', label: 'Goods are downloaded', value: '', kind: 'box' },
  { name: 'size', label: 'How many products do you expect?', value: '10' },
  // pushed: whoever does not look has them
  ...extras.map((name): Field => ({
    name: `extra ${name}`,
    label: `Yes, give me the ${name}`,
    value: '1',
    kind: 'box',
  })),
]

/** The set-up: an owner, and questions about what is sold. It answers 200 whatever comes of it. */
export function firstRunForm(app: FastifyInstance, shop: Shop, base: string): void {
  const send = (reply: FastifyReply, title: string, body: string, status = 200) =>
    reply
      .status(status)
      .type('text/html')
      .send(page({ title, lang: 'en', body: `<main${body}</main>` }))
  const already = (reply: FastifyReply) => send(reply, 'Set up already', '><p>This shop is set up already.</p>', 410)
  const show = (reply: FastifyReply, trouble = '') =>
    send(
      reply,
      'Set up your shop',
      `><h1>Set up your shop</h1>${trouble && `<p class="trouble">${esc(trouble)}</p>`}${form({
        ...{ action: `${base}setup`, token: '', id: 'first-run', button: 'Open my shop', fields },
      })}`,
    )
  app.get(`${base}setup`, (_request, reply) => (shop.standing === 'first-run' ? show(reply) : already(reply)))
  app.post<{ Body: Record<string, string | undefined> }>(`${base}setup`, (request, reply) => {
    if (shop.standing !== 'first-run') return already(reply)
    const {
      title = '',
      username = '',
      email = '',
      password = '',
      language = 'en',
      country = '',
      ...more
    } = request.body
    const trouble = !/^[a-z0-9._-]{2,}$/i.test(username)
      ? 'That is no user name.'
      : !email.includes('@')
        ? 'That is no e-mail address.'
        : password.length < 10
          ? 'That password is too short.'
          : !currencies.includes(more.currency ?? '')
            ? 'That is no currency.'
            : ''
    if (trouble !== '') return show(reply, trouble)
    setUp(shop, {
      ...{ title, username, email, password, language, country, currency: more.currency ?? 'USD' },
      trade: linesOf(more.trade),
      goods: (['posted', 'downloaded'] as const).filter((one) => more[one] === '1'),
      size: Number(more.size) || 0,
      extras: extras.filter((name) => more[`extra ${name}`] === '1'),
    })
    return send(reply, 'Done', ` id="made"><p>Your shop is open. <a href="${base}enter">Sign in</a></p>`)
  })
}
