import { digest, foldSpace, textBlocks, type System } from 'unpack'
import { load } from 'cheerio'
import { theme } from '../../common/adapter/areas/theme.js'
import { screensOf, trouble } from '../../common/adapter/screens.js'
import { logIn, StandInSession } from '../../common/adapter/session.js'
import { addOns } from './areas/addOns.js'
import { address } from './areas/address.js'
import { categories } from './areas/categories.js'
import { commenting } from './areas/commenting.js'
import { comments } from './areas/comments.js'
import { frontPage } from './areas/frontPage.js'
import { linkCategories } from './areas/linkCategories.js'
import { links } from './areas/links.js'
import { media } from './areas/media.js'
import { members } from './areas/members.js'
import { menus } from './areas/menus.js'
import { owner } from './areas/owner.js'
import { pages } from './areas/pages.js'
import { posts } from './areas/posts.js'
import { privacyPage } from './areas/privacyPage.js'
import { publishing } from './areas/publishing.js'
import { sidebars } from './areas/sidebars.js'
import { signUp } from './areas/signUp.js'
import { site } from './areas/site.js'
import { tags } from './areas/tags.js'
import { updates } from './areas/updates.js'
import { fields } from './fields.js'
import { recognise } from './recognise.js'
import { shippedTexts } from './shipped-texts.js'

const screens = screensOf(
  'settings publishing visitors updates profile posts pages comments categories uploads menus sidebars themes add-ons accounts'.split(
    ' ',
  ),
)

/** The adapter of the stand-in blog, written against Unpack's public face like any adapter from outside. */
export const standInBlogSystem: System<StandInSession> = {
  id: 'stand-in-blog',
  name: 'Stand-in blog',
  kind: 'blog',
  password: { length: 22, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789-_' },
  firstRunNeeds: ['owner.email'],
  areas: {
    addOns,
    address,
    categories,
    commenting,
    comments,
    frontPage,
    linkCategories,
    links,
    media,
    members,
    menus,
    owner,
    pages,
    posts,
    privacyPage,
    publishing,
    sidebars,
    signUp,
    site,
    tags,
    theme,
    updates,
  },
  imprint: async (session) => (await session.rows('accounts')).map(({ id, data }) => `${id} ${data.made ?? ''}`),
  shows: async (visitor) => load((await visitor.get('')).text)('meta[name=since]').attr('content') || undefined,
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new StandInSession(visitor, login, fields) : undefined
  },
  trouble,
  showsShippedText(html) {
    const $ = load(html)
    return $('main .text, main li p')
      .toArray()
      .some((element) => shippedTexts.has(digest(foldSpace(textBlocks($.html($(element).contents())).join(' ')))))
  },
}
