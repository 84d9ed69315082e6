import type { FastifyInstance } from 'fastify'
import { Office } from '../../../common/server/office.js'
import { packages } from '../../../common/server/packages.js'
import type { Sessions } from '../../../common/server/sessions.js'
import { page } from '../html.js'
import { accountOf, type ContentSite } from '../model.js'
import { comments } from './comments.js'
import { entries } from './entries.js'
import { people } from './people.js'
import { places } from './places.js'
import { settings } from './settings.js'
import { sharing } from './sharing.js'
import { signIn } from './sign-in.js'
import { uploads } from './uploads.js'

const rooms =
  'settings front mail visitors pages news events uploads comments menu columns groups accounts profile themes add-ons'.split(
    ' ',
  )

/** The screens of whoever manages the site: lists, forms with one-time tokens, and nothing else. */
export function dashboard(app: FastifyInstance, site: ContentSite, sessions: Sessions, base: string): void {
  const manages = (account: number) => accountOf(site, account)?.role === 'manager'
  const office = new Office(app, sessions, base, rooms, page, manages, (place) => site.pretends.includes(place))
  signIn(office, site)
  office.get('', (_request, reply) => {
    const { pages, news, events, since } = site
    const counts = `${pages.length} pages, ${news.length} pieces of news, ${events.length} events.`
    return office.screen(reply, 'start', `<p id="since" data-since="${since}">${counts}</p>`)
  })
  settings(office, site)
  entries(office, site)
  sharing(office, site)
  uploads(office, site)
  comments(office, site)
  places(office, site)
  people(office, site)
  packages(office, site, 'themes')
  packages(office, site, 'addOns')
}
