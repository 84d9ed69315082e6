import type { System } from '../system.js'
import { addOns } from './areas/addOns.js'
import { categories } from './areas/categories.js'
import { comments } from './areas/comments.js'
import { media } from './areas/media.js'
import { members } from './areas/members.js'
import { menus } from './areas/menus.js'
import { owner } from './areas/owner.js'
import { pages } from './areas/pages.js'
import { posts } from './areas/posts.js'
import { site } from './areas/site.js'
import { tags } from './areas/tags.js'
import { theme } from './areas/theme.js'
import { recognise } from './recognise.js'
import { screens, trouble } from './screens.js'
import { WordPressSession } from './session.js'
import { shippedPlaces, ships, showsShippedText } from './ships.js'
import { logIn } from './sign-in.js'

/** WordPress, driven by its web forms and its HTTP interface with cookie and token. Proven with 6.1. */
export const wordpress: System<WordPressSession> = {
  id: 'wordpress',
  name: 'WordPress',
  kind: 'blog',
  // quotes and backslashes would reach the account changed
  password: { length: 24, characters: 'ABCDEFGHJKLMNPQRSTUVWXYZabcdefghijkmnopqrstuvwxyz23456789!#%*+-=?_' },
  firstRunNeeds: ['owner.email'],
  areas: { site, owner, categories, pages, posts, comments, media, tags, menus, theme, addOns, members },
  screens,
  recognise,
  async signIn(visitor, login) {
    return (await logIn(visitor, login)) ? new WordPressSession(visitor, login) : undefined
  },
  ships,
  trouble,
  feed: '/?feed=rss2',
  shippedPlaces,
  showsShippedText,
}
