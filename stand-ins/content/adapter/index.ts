import { load } from 'cheerio'
import type { System } from 'unpack'
import { theme } from '../../common/adapter/areas/theme.js'
import { sinceOf, sinceShown } from '../../common/adapter/since.js'
import { screensOf, trouble } from '../../common/adapter/screens.js'
import { logIn, StandInSession } from '../../common/adapter/session.js'
import { addOns } from './areas/addOns.js'
import { commenting } from './areas/commenting.js'
import { comments } from './areas/comments.js'
import { events } from './areas/events.js'
import { frontPage } from './areas/frontPage.js'
import { groups } from './areas/groups.js'
import { mail } from './areas/mail.js'
import { media } from './areas/media.js'
import { members } from './areas/members.js'
import { menus } from './areas/menus.js'
import { owner } from './areas/owner.js'
import { pages } from './areas/pages.js'
import { posts } from './areas/posts.js'
import { sidebars } from './areas/sidebars.js'
import { signUp } from './areas/signUp.js'
import { site } from './areas/site.js'
import { tags } from './areas/tags.js'
import { fields, perGroup } from './fields.js'
import { recognise } from './recognise.js'
import { isShippedText } from './shipped.js'

const screens = screensOf(
  'settings front mail visitors pages news events uploads comments menu columns groups accounts profile themes add-ons'.split(
    ' ',
  ),
)

/** The adapter of the stand-in content site, written against Unpack's public face like any adapter from outside. */
export const standInContentSystem: System<StandInSession> = {
  id: 'stand-in-content',
  name: 'Stand-in content site',
  kind: 'content',
  password: { length: 22, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789-_' },
  firstRunNeeds: ['site.title'],
  areas: {
    addOns,
    commenting,
    comments,
    events,
    frontPage,
    groups,
    mail,
    media,
    members,
    menus,
    owner,
    pages,
    posts,
    sidebars,
    signUp,
    site,
    tags,
    theme,
  },
  async enterFirstRun(visitor, login) {
    // nobody but whoever looks after the server has a login as long as there is no site
    return (await logIn(visitor, login)) ? new StandInSession(visitor, login, fields, perGroup) : undefined
  },
  hasAccount: async (session, username) => (await session.rows('accounts')).some(({ data }) => data.name === username),
  imprint: async (session) => [await sinceOf(session)],
  shows: sinceShown,
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new StandInSession(visitor, login, fields, perGroup) : undefined
  },
  trouble,
  publicSide: { signIns: 12, signIn: logIn, signOut: (visitor) => visitor.post('leave', {}, { purpose: 'log-in' }) },
  showsShippedText(html) {
    const $ = load(html)
    return $('main .text')
      .toArray()
      .some((element) => isShippedText($(element).html() ?? ''))
  },
}
