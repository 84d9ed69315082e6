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
import { publishing } from './areas/publishing.js'
import { sidebars } from './areas/sidebars.js'
import { signUp } from './areas/signUp.js'
import { site } from './areas/site.js'
import { tags } from './areas/tags.js'
import { theme } from './areas/theme.js'
import { updates } from './areas/updates.js'
import { addOnsIn, themesIn } from './packages.js'
import { recognise } from './recognise.js'
import { screens, trouble } from './screens.js'
import { WordPressSession } from './session.js'
import { shippedPlaces, ships, showsShippedText } from './ships.js'
import { logIn } from './sign-in.js'
import { trial } from './trial.js'
import { has } from '../../web/forms.js'
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
  packages: { theme: themesIn, addOns: addOnsIn },
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new WordPressSession(visitor, login) : undefined
  },
  ships,
  trouble,
  feed: '/?feed=rss2',
  signUp: {
    place: 'wp-login.php?action=register',
    isOpen: ({ text }) => has(text, 'form#registerform'),
  },
  wears: (html, use) => html.includes(`/themes/${use}/`),
  // it guesses by the slug where the new rule has a year in front
  leadsOn: (_before, after) => after.startsWith('/{year}'),
  trial,
  shippedPlaces,
  showsShippedText,
}
