import { digest, foldSpace, type System } from 'unpack'
import { load } from 'cheerio'
import { theme } from '../../common/adapter/areas/theme.js'
import { logIn, StandInSession } from '../../common/adapter/session.js'
import { screensOf, trouble } from '../../common/adapter/screens.js'
import { access } from './areas/access.js'
import { addOns } from './areas/addOns.js'
import { forumOrder } from './areas/forumOrder.js'
import { forums } from './areas/forums.js'
import { groups } from './areas/groups.js'
import { mail } from './areas/mail.js'
import { members } from './areas/members.js'
import { opening } from './areas/opening.js'
import { owner } from './areas/owner.js'
import { posting } from './areas/posting.js'
import { profiles } from './areas/profiles.js'
import { signIn } from './areas/signIn.js'
import { signUp } from './areas/signUp.js'
import { site } from './areas/site.js'
import { topics } from './areas/topics.js'
import { debts } from './debts.js'
import { fields, perGroup } from './fields.js'
import { recognise } from './recognise.js'
import { shippedTexts } from './shipped-texts.js'

const screens = screensOf(
  'settings mail joining signing-in posting profiles profile groups categories forums access topics accounts themes add-ons'.split(
    ' ',
  ),
)

/** The adapter of the stand-in forum, written against Unpack's public face like any adapter from outside. */
export const standInForumSystem: System<StandInSession> = {
  id: 'stand-in-forum',
  name: 'Stand-in forum',
  kind: 'forum',
  password: { length: 22, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789-_' },
  areas: {
    access,
    addOns,
    forumOrder,
    forums,
    groups,
    mail,
    members,
    opening,
    owner,
    posting,
    profiles,
    signIn,
    signUp,
    site,
    theme,
    topics,
  },
  imprint: async (session) => (await session.rows('accounts')).map(({ id, data }) => `${id} ${data.made ?? ''}`),
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new StandInSession(visitor, login, fields, perGroup) : undefined
  },
  trouble,
  publicSide: {
    signIns: 12,
    signIn: logIn,
    signOut: (visitor) => visitor.post('leave', {}, { purpose: 'log-in' }),
  },
  debts,
  showsShippedText(html) {
    const $ = load(html)
    return $('article.post .text')
      .toArray()
      .some((element) => shippedTexts.has(digest(foldSpace($(element).text()))))
  },
}
