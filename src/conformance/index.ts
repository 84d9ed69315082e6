import type { System } from '../systems/system.js'
import { accessCases } from './cases/access.js'
import { categoryCases } from './cases/categories.js'
import { wholeCases } from './cases/all.js'
import { forumCases } from './cases/forums.js'
import { linkCases } from './cases/links.js'
import { memberRuleCases } from './cases/members.js'
import { packageCases } from './cases/packages.js'
import { placeCases } from './cases/places.js'
import { postCases } from './cases/posts.js'
import { ruleCases } from './cases/rules.js'
import { sampleCases } from './cases/samples.js'
import { ownerCases } from './cases/owner.js'
import { pageCases } from './cases/pages.js'
import { privacyPageCases } from './cases/privacyPage.js'
import { shippedCases } from './cases/shipped.js'
import { siteCases } from './cases/site.js'
import { lacking, type ConformanceCase } from './case.js'
import { ConformanceSite, type Provided } from './site.js'

export { lacking, type ConformanceCase, type NeededKey } from './case.js'
export { ConformanceSite, type Provided } from './site.js'

/** The cases that every adapter must pass, in the order of the areas. */
export const conformanceCases: readonly ConformanceCase[] = [
  ...siteCases,
  ...ownerCases,
  ...categoryCases,
  ...pageCases,
  ...placeCases,
  ...privacyPageCases,
  ...packageCases,
  ...ruleCases,
  ...linkCases,
  ...memberRuleCases,
  ...forumCases,
  ...accessCases,
  ...postCases,
  ...sampleCases,
  ...shippedCases,
  ...wholeCases,
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
