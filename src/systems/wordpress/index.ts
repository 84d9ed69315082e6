import type { System } from '../system.js'
import { addOns } from './areas/addOns.js'
import { address } from './areas/address.js'
import { categories } from './areas/categories.js'
import { commenting } from './areas/commenting.js'
import { comments } from './areas/comments.js'
import { frontPage } from './areas/frontPage.js'
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
import { theme } from './areas/theme.js'
import { updates } from './areas/updates.js'
import { recognise } from './recognise.js'
import { screens, trouble } from './screens.js'
import { WordPressSession } from './session.js'
import { showsShippedText } from './shipped-words.js'
import { logIn } from './sign-in.js'
import { shownTo } from './shown.js'
import { usersOf } from './items.js'

/** WordPress, driven by its web forms and its HTTP interface with cookie and token. Proven with 6.1. */
export const wordpress: System<WordPressSession> = {
  id: 'wordpress',
  name: 'WordPress',
  kind: 'blog',
  // quotes and backslashes would reach the account changed
  password: { length: 24, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789!#%*+-=?_' },
  firstRunNeeds: ['owner.email'],
  areas: {
    addOns,
    address,
    categories,
    commenting,
    comments,
    frontPage,
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
  lacks: {
    links: 'lists of links are switched off in this system, and need an add-on',
    linkCategories: 'lists of links are switched off in this system, and need an add-on',
  },
  imprint: async (session) => (await usersOf(session)).map(({ id, registered_date }) => `${id} ${registered_date}`),
  shows: shownTo,
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new WordPressSession(visitor, login) : undefined
  },
  trouble,
  showsShippedText,
}
