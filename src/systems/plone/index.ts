import { provenIn } from '../lines.js'
import type { System } from '../system.js'
import { addOns } from './areas/addOns.js'
import { address } from './areas/address.js'
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
import { theme } from './areas/theme.js'
import { usersOf } from './groups.js'
import { sitesOn } from './keeper.js'
import { rootOf } from './panels.js'
import { recognise } from './recognise.js'
import { screens, trouble } from './screens.js'
import { PloneSession } from './session.js'
import { enter, leave, versionFor } from './sign-in.js'

const TRIED = ['6.2']

/** Plone, driven by its documented HTTP interface, and by its forms where that has no way. Proven with 6.2 and its own pages. */
export const plone: System<PloneSession> = {
  id: 'plone',
  name: 'Plone',
  kind: 'content',
  password: { length: 24, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789!#%*+-=?_' },
  firstRunNeeds: ['site.title'],
  areas: {
    addOns,
    address,
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
  lacks: {
    categories: 'folders and tags do the work of categories on this system',
    links: 'links are pages of their own on this system; menus can hold some',
    opening: 'this system can’t be closed to visitors as a whole; pages can',
    signIn: 'how often somebody may try, and for how long they are locked out, is not to be set on this system',
  },
  hasAccount: async (session, username) => (await usersOf(session)).some((user) => user.username === username),
  imprint: async (session) => [(await rootOf(session)).UID],
  screens,
  recognise,
  async enterFirstRun(visitor, login) {
    // nobody but the server says whether a login opens it: a list that only those who look after it may see
    const session = new PloneSession(visitor, login)
    return (await sitesOn(session.server)) ? session : undefined
  },
  version: ({ version }) => Promise.resolve(version === '' ? undefined : { version, ...provenIn(version, TRIED) }),
  async signIn(visitor, login) {
    const version = await versionFor(visitor, login)
    if (version === undefined) return undefined
    const session = new PloneSession(visitor, login)
    session.version = version
    return session
  },
  trouble,
  publicSide: { signIns: 12, signIn: enter, signOut: leave },
}
