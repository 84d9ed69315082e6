import { digest, foldSpace, has, type System } from 'unpack'
import { load } from 'cheerio'
import { addOns } from '../../common/adapter/areas/addOns.js'
import { theme } from '../../common/adapter/areas/theme.js'
import { addOnsIn, themesIn } from '../../common/adapter/packages.js'
import { logIn, StandInSession } from '../../common/adapter/session.js'
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
import { signIn } from './areas/signIn.js'
import { signUp } from './areas/signUp.js'
import { site } from './areas/site.js'
import { topics } from './areas/topics.js'
import { settings } from './carriers/forms.js'
import { debts } from './debts.js'
import { eyes } from './eyes.js'
import { screensOf, trouble } from '../../common/adapter/screens.js'
import { fields, perGroup } from './fields.js'
import { recognise } from './recognise.js'
import { shippedTexts } from './shipped-texts.js'
import { ships } from './ships.js'
import { Step } from 'unpack'

const screens = screensOf(
  'settings mail joining signing-in posting profiles profile groups categories forums access topics accounts themes add-ons'.split(
    ' ',
  ),
)

const waits = ['none', 'email', 'staff'] as const

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
  packages: { theme: themesIn, addOns: addOnsIn },
  imprint: async (session) => (await session.rows('accounts')).map(({ id, data }) => `${id} ${data.made ?? ''}`),
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new StandInSession(visitor, login, fields, perGroup) : undefined
  },
  ships,
  trouble,
  feed: '/feed.xml',
  signUp: {
    place: 'join',
    isOpen: ({ text }) => has(text, 'form#join'),
    approval: ({ text }) => waits.find((one) => one === load(text)('#approval').attr('data-waits')),
    question: {
      place: 'join',
      of: ({ text }) => load(text)('form#join label').last().text() || undefined,
    },
  },
  wears: (html, use) => load(html)('meta[name=theme]').attr('content') === use,
  eyes,
  debts,
  closes: ({ site }) =>
    Step.of(
      settings,
      { open: '', ...(site.open?.notice !== undefined && { notice: site.open.notice }) },
      { proves: [] },
    ),
  shippedPlaces: () => [{ area: 'topics', place: '/topic/3' }],
  showsShippedText(html) {
    const $ = load(html)
    return $('article.post .text')
      .toArray()
      .some((element) => shippedTexts.has(digest(foldSpace($(element).text()))))
  },
}
