/**
 * The cases that every adapter must pass, and what they are run on.
 * @module unpack/conformance
 */
import type { System } from '../systems/system.js'
import { accessCases } from './cases/access.js'
import { addOnsCases } from './cases/addOns.js'
import { addressCases } from './cases/address.js'
import { allCases } from './cases/all.js'
import { categoriesCases } from './cases/categories.js'
import { commentingCases } from './cases/commenting.js'
import { eventsCases } from './cases/events.js'
import { forumsCases } from './cases/forums.js'
import { frontPageCases } from './cases/frontPage.js'
import { groupsCases } from './cases/groups.js'
import { linksCases } from './cases/links.js'
import { mailCases } from './cases/mail.js'
import { mediaCases } from './cases/media.js'
import { membersCases } from './cases/members.js'
import { menusCases } from './cases/menus.js'
import { openingCases } from './cases/opening.js'
import { ordersCases } from './cases/orders.js'
import { ownerCases } from './cases/owner.js'
import { pagesCases } from './cases/pages.js'
import { postingCases } from './cases/posting.js'
import { postsCases } from './cases/posts.js'
import { privacyPageCases } from './cases/privacyPage.js'
import { productsCases } from './cases/products.js'
import { profilesCases } from './cases/profiles.js'
import { publishingCases } from './cases/publishing.js'
import { sidebarsCases } from './cases/sidebars.js'
import { pagesReadingCases } from './cases/pages-reading.js'
import { paymentCases } from './cases/payment.js'
import { shippingCases } from './cases/shipping.js'
import { taxesCases } from './cases/taxes.js'
import { signInCases } from './cases/signIn.js'
import { signUpCases } from './cases/signUp.js'
import { siteCases } from './cases/site.js'
import { storeCases } from './cases/store.js'
import { themeCases } from './cases/theme.js'
import { topicsCases } from './cases/topics.js'
import { updatesCases } from './cases/updates.js'
import { lacking, type ConformanceCase } from './case.js'
import { ConformanceSite, type Provided } from './site.js'

export { lacking, type ConformanceCase, type NeededKey } from './case.js'
export { ConformanceSite, type Provided } from './site.js'

/** The cases that every adapter must pass, in the order of the areas. */
export const conformanceCases: readonly ConformanceCase[] = [
  ...ownerCases,
  ...mediaCases,
  ...siteCases,
  ...storeCases,
  ...taxesCases,
  ...shippingCases,
  ...paymentCases,
  ...categoriesCases,
  ...productsCases,
  ...pagesCases,
  ...pagesReadingCases,
  ...frontPageCases,
  ...privacyPageCases,
  ...themeCases,
  ...addOnsCases,
  ...menusCases,
  ...sidebarsCases,
  ...linksCases,
  ...publishingCases,
  ...commentingCases,
  ...mailCases,
  ...signUpCases,
  ...signInCases,
  ...postingCases,
  ...profilesCases,
  ...updatesCases,
  ...groupsCases,
  ...forumsCases,
  ...membersCases,
  ...accessCases,
  ...postsCases,
  ...eventsCases,
  ...topicsCases,
  ...ordersCases,
  ...openingCases,
  ...addressCases,
  ...allCases,
]

/**
 * The suite for one system, ready for any test runner.
 * @param system the adapter
 * @param provide gives each case a site of its own that waits for its first-run form
 * @returns a name and a function a case; those that the adapter can't be given say which keys are lacking
 * @example for (const { name, lacks, run } of conformance(system, provide)) test(name, { skip: lacks.length > 0 }, run)
 */
export const conformance = <S extends System>(
  system: S,
  provide: () => Promise<Provided>,
): { name: string; lacks: string[]; run: () => Promise<void> }[] =>
  conformanceCases.map((one) => ({
    name: `${one.area}: ${one.name}`,
    lacks: lacking(system, one),
    run: async () => one.run(new ConformanceSite(system, await provide())),
  }))
