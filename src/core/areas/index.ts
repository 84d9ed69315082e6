import type { Area, Difference, Found, ReadItem, Value } from '../area.js'
import { pageCheck } from '../reading/eyes.js'
import type { OwnLook, SharedLook } from '../looking.js'
import { access, accessCheck } from './access.js'
import { addOns, addOnsPart } from './addOns.js'
import { address } from './address.js'
import { categories, categoriesPart } from './categories.js'
import { commenting, commentingPart } from './commenting.js'
import { comments } from './comments.js'
import { events, eventsPart } from './events.js'
import { forumOrder } from './forumOrder.js'
import { forums, forumsPart } from './forums.js'
import { frontPage, frontPagePart } from './frontPage.js'
import { groups, groupsPart } from './groups.js'
import { linkCategories } from './linkCategories.js'
import { links, linksPart } from './links.js'
import { mail, mailPart } from './mail.js'
import { media } from './media.js'
import { members, membersPart } from './members.js'
import { menus, menusPart } from './menus.js'
import { opening } from './opening.js'
import { orders } from './orders.js'
import { owner, ownerPart } from './owner.js'
import { pages, pagesPart } from './pages.js'
import { payment } from './payment.js'
import { posting, postingPart } from './posting.js'
import { posts, postsPart } from './posts.js'
import { privacyPage, privacyPagePart } from './privacyPage.js'
import { productCheck, products, productsPart } from './products.js'
import { profiles, profilesPart } from './profiles.js'
import { publishing, publishingPart } from './publishing.js'
import { shipping } from './shipping.js'
import { sidebars, sidebarsPart } from './sidebars.js'
import { signIn, signInPart } from './signIn.js'
import { signUp, signUpPart } from './signUp.js'
import { site, sitePart } from './site.js'
import { store, storePart } from './store.js'
import { tags } from './tags.js'
import { taxes } from './taxes.js'
import { theme, themePart } from './theme.js'
import { topics } from './topics.js'
import { updates, updatesPart } from './updates.js'

/** The one list of areas, in the order in which practitioners settle them. Names and types derive from it. */
export const areas = {
  owner,
  media,
  site,
  store,
  taxes,
  shipping,
  payment,
  categories,
  products,
  tags,
  pages,
  frontPage,
  privacyPage,
  theme,
  addOns,
  menus,
  sidebars,
  linkCategories,
  links,
  publishing,
  commenting,
  mail,
  signUp,
  signIn,
  posting,
  profiles,
  updates,
  groups,
  forums,
  members,
  forumOrder,
  access,
  posts,
  events,
  comments,
  topics,
  orders,
  opening,
  address,
} as const

/** What of the baseline file is theirs. */
export const parts = {
  ...ownerPart,
  ...sitePart,
  ...storePart,
  ...categoriesPart,
  ...productsPart,
  ...pagesPart,
  ...frontPagePart,
  ...privacyPagePart,
  ...menusPart,
  ...sidebarsPart,
  ...themePart,
  ...addOnsPart,
  ...publishingPart,
  ...commentingPart,
  ...mailPart,
  ...signUpPart,
  ...signInPart,
  ...postingPart,
  ...profilesPart,
  ...groupsPart,
  ...forumsPart,
  ...membersPart,
  ...updatesPart,
  ...linksPart,
  ...postsPart,
  ...eventsPart,
}
/** Looks at the finished site that a baseline may ask for, beside those at a place's text. */
export const checkParts = [accessCheck, pageCheck, productCheck] as const

/** All areas, by their names. */
export type Areas = typeof areas
/** The name of an area. */
export type AreaName = keyof Areas
/** An area's item, in core's words. */
export type ItemOf<A extends AreaName> = Parameters<Areas[A]['ref']>[0]
/** An item of any area, as it was found. */
export type AnyFound = { [A in AreaName]: Found<A, ItemOf<A>> }[AreaName]
/** A difference of any area. */
export type AnyDifference = { [A in AreaName]: Difference<A, ItemOf<A>> }[AreaName]
/** The looks that an area may expect: those that all share, and its own. */
export type LookOf<A extends AreaName> =
  SharedLook | (Areas[A] extends Area<A, ItemOf<A>, infer L, infer _T> ? L : never)
/** What is tried of an area. */
export type TryOf<A extends AreaName> = Areas[A] extends Area<A, ItemOf<A>, infer _L, infer T> ? T : never
/** What is on a site, by area; an area the system hasn't got is left out. */
export type Inventory = { [A in AreaName]?: Found<A, ItemOf<A>>[] }
/** What an adapter read, before core has judged it. */
export type Reading = { [A in AreaName]?: ReadItem<ItemOf<A>>[] }

/** The names of all areas, in the order of settling. */
export const areaNames = Object.keys(areas) as AreaName[]

/** An item of any area, field by field. */
export type AnyItem = Readonly<Record<string, Value | undefined>>
/** An area seen without its own types: the one place where the union of areas meets code that serves all. */
export const areaOf = (name: AreaName): Area<AreaName, AnyItem, OwnLook, object> =>
  areas[name] as unknown as Area<AreaName, AnyItem, OwnLook, object>
/** An item seen without its own type. */
export const anyItem = (item: object): AnyItem => item as AnyItem
