import type { FastifyInstance } from 'fastify'
import { form } from '../html.js'
import type { Blog } from '../model.js'
import type { Frame } from './frame.js'

const fields = [
  { name: 'username', label: 'User name', value: '' },
  { name: 'email', label: 'E-mail', value: '', kind: 'email' as const },
  { name: 'password', label: 'Password', value: '', kind: 'password' as const },
]

/** Where visitors make an account, if they may. */
export function join(app: FastifyInstance, blog: Blog, frame: Frame): void {
  const place = `${frame.base}join`
  app.get(place, (_request, reply) =>
    blog.settings.joinOpen
      ? frame.show(reply, 'Join', form({ action: place, token: '', id: 'join', button: 'Join', fields }))
      : frame.show(reply, 'Join', '<p id="closed">Nobody can join here.</p>'),
  )
  app.post<{ Body: Record<string, string | undefined> }>(place, (request, reply) => {
    const { username = '', email = '', password = '' } = request.body
    const taken = blog.accounts.some((one) => one.username === username)
    if (!blog.settings.joinOpen || taken || username === '' || password.length < 10)
      return frame.show(reply, 'Join', '<p class="trouble">That can’t be done.</p>', 422)
    const names = { username, email, password, first: '', last: '', shown: username }
    blog.accounts.push({ ...names, id: blog.next++, made: new Date().toISOString(), role: blog.settings.joinRole })
    return frame.show(reply, 'Join', '<p id="joined">Welcome.</p>')
  })
}
