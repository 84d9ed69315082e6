import { load } from 'cheerio'
import type { System } from '../system.js'
import { access } from './areas/access.js'
import { forumOrder } from './areas/forumOrder.js'
import { forums } from './areas/forums.js'
import { groups } from './areas/groups.js'
import { mail } from './areas/mail.js'
import { members } from './areas/members.js'
import { opening } from './areas/opening.js'
import { owner } from './areas/owner.js'
import { posting } from './areas/posting.js'
import { profiles } from './areas/profiles.js'
import { signUp } from './areas/signUp.js'
import { site } from './areas/site.js'
import { theme } from './areas/theme.js'
import { topics } from './areas/topics.js'
import { debts } from './debts.js'
import { recognise } from './recognise.js'
import { SHIPPED } from './shipped.js'
import { screens, trouble } from './screens.js'
import { MisagoSession } from './session.js'
import { enter, leave, logIn } from './sign-in.js'
import { usersOf } from './roles.js'

/** What a page of the forum is called: its own name, in front of the forum's. */
const titleIn = (html: string): string => (load(html)('head > title').text().split(' | ')[0] ?? '').trim()

/** Misago, driven by the forms of its dashboard and the interface of its public side. Proven with 0.39. */
export const misago: System<MisagoSession> = {
  id: 'misago',
  name: 'Misago',
  kind: 'forum',
  password: { length: 24, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789!#%*+-=?_' },
  areas: {
    access,
    forumOrder,
    forums,
    groups,
    mail,
    members,
    opening,
    owner,
    posting,
    profiles,
    signUp,
    site,
    theme,
    topics,
  },
  imprint: async (session) => (await usersOf(session)).map(({ id, since }) => `${id} ${since}`),
  lacks: {
    signIn: 'how often somebody may try, and for how long they are locked out, is not to be set on this system',
    addOns: 'add-ons are installed on the server; ask the host',
  },
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new MisagoSession(visitor, login) : undefined
  },
  trouble,
  publicSide: { signIns: 12, signIn: enter, signOut: leave },
  debts,
  showsShippedText: (html) => SHIPPED.titles.includes(titleIn(html)),
}
