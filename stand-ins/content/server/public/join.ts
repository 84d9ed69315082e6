import type { FastifyInstance } from 'fastify'
import type { Fields } from '../../../common/server/office.js'
import { form } from '../html.js'
import type { ContentSite } from '../model.js'
import type { Frame } from './frame.js'

const fields = [
  { name: 'username', label: 'User name', value: '' },
  { name: 'email', label: 'E-mail', value: '', kind: 'email' as const },
  { name: 'password', label: 'Password', value: '', kind: 'password' as const },
]
const waits = { none: 'It is open at once.', staff: 'Somebody looks at it first.' }

/** Where visitors make an account, if they may. */
export function join(app: FastifyInstance, site: ContentSite, frame: Frame): void {
  const { settings } = site
  const place = `${frame.base}join`
  app.get(place, (request, reply) => {
    const { joinOpen, joinWaits } = settings
    const note = `<p id="approval" data-waits="${joinWaits}">${waits[joinWaits]}</p>`
    const way = note + form({ action: place, token: '', id: 'join', button: 'Join', fields })
    return frame.show(request, reply, 'Join', joinOpen ? way : '<p id="closed">Nobody can join here.</p>')
  })
  app.post<{ Body: Fields }>(place, (request, reply) => {
    const { username = '', email = '', password = '' } = request.body
    const taken = [site.keeper, ...site.accounts].some((one) => one.username === username)
    if (!settings.joinOpen || taken || username === '' || password.length < 10)
      return frame.show(request, reply, 'Join', '<p class="trouble">That can’t be done.</p>', 422)
    site.accounts.push({
      ...{ id: site.next++, username, email, password, first: '', last: '', shown: username, role: 'member' },
      ...{ groups: [], made: new Date().toISOString(), waits: settings.joinWaits === 'staff' },
    })
    return frame.show(request, reply, 'Join', '<p id="joined">Welcome.</p>')
  })
}
