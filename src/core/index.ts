/**
 * Everything that decides, without Node, network or clock. It runs in a browser as it is.
 * @module unpack/core
 */
export {
  accessTable,
  groupNames,
  permissionSets,
  plannedPlaces,
  type Access,
  type ForumAccess,
  type PermissionSet,
  type PlannedPlace,
} from './access/plan.js'
export { accessRows, type AccessRow } from './access/rows.js'
export {
  actions,
  fewest,
  granted,
  isLevel,
  levels,
  subjectsOf,
  whoText,
  type Action,
  type Named,
} from './access/who.js'
export { addressText, isThisMachine, parseAddress, placeOn, type SiteAddress } from './address.js'
export type {
  AsPlanned,
  Ability,
  Area,
  Difference,
  Found,
  Id,
  ItemShape,
  Plan,
  Question,
  ReadItem,
  StandingItem,
  Value,
} from './area.js'
export type {
  Attempt,
  Expectation,
  EyesOf,
  EyesQuestion,
  EyesRow,
  FeedLook,
  MadeUnder,
  OwnLook,
  SharedLook,
} from './looking.js'
export type { CommentTry } from './areas/commenting.js'
export type { LeadsOn } from './areas/publishing.js'
export type { CommentFormLook } from './areas/commenting.js'
export type { SignUpLook } from './areas/signUp.js'
export type { ThemeLook } from './areas/theme.js'
export {
  areaNames,
  areas,
  type AnyDifference,
  type AnyFound,
  type AreaName,
  type Inventory,
  type ItemOf,
  type LookOf,
  type Reading,
  type TryOf,
} from './areas/index.js'
export { flatCategories } from './areas/categories.js'
export { orderedFor, type OrderTry } from './areas/orders.js'
export { productsOf } from './areas/products.js'
export { choiceText, type ChosenOptions, type OneProduct } from './goods/variants.js'
export type { WantedProduct } from './goods/product-schema.js'
export type { LogoLook } from './areas/site.js'
export type { ListedLook, ProductPageLook, SearchLook } from './goods/product-looks.js'
export { totalOf, type OrderLines } from './goods/total.js'
export { countryName, digitsOf } from './money/currency.js'
export { roundedTo, sameDecimal, sumOf, taxIn, taxOn, timesOf } from './money/decimal.js'
export type { ShippingItem, WeightPrice } from './areas/shipping.js'
export type { TaxItem, TaxRate } from './areas/taxes.js'
export { flatPages, type PageAt } from './areas/pages.js'
export { refsInTree } from './refs-in-tree.js'
export { mistakeText } from './baseline/mistakes.js'
export { type Mistake } from './baseline/mistake.js'
export { filesNamed, mistakesIn, readBaseline, type ReadBaseline } from './baseline/read.js'
export { baselineJsonSchema, type Baseline } from './baseline/schema.js'
export type { Files } from './baseline/files.js'
export type { Position } from './baseline/source.js'
export { compare, type CompareOptions, type Comparison, type Remark } from './compare.js'
export type { LeftBehind } from './comparing/left.js'
export { catalogue } from './catalogue.js'
export { UnpackError, type ErrorCode } from './errors.js'
export { expectations } from './expect.js'
export type { Failure, Findings, PageFacts, Recognised, Standing, Verdict } from './findings.js'
export { allFound, foundAt, inventoryOf } from './inventory.js'
export { judge } from './judge.js'
export { nameIn, refOf, type Ref } from './ref.js'
export { reportHtml } from './report/html.js'
export * from './report/report.js'
export { questions } from './questions.js'
export { Secret } from './secret.js'
export { originOf, type Marks, type Origin } from './shipped.js'
export type { Package, Packages, WantedPackage } from './package.js'
export { datePattern, type DatePattern } from './text/dates.js'
export { digest, itemDigest } from './text/digest.js'
export { leadsIn } from './text/leads.js'
export { htmlOf } from './text/markdown.js'
export { bodyDigest, normalForm, sameText } from './text/normal-form.js'
export { foldSpace, foldTypography, shownText, strippedText, textBlocks } from './text/plain.js'
export { postAddressParts, type AddressPart } from './text/post-address.js'
export { latinSlugOf, slugOf } from './text/slug-of.js'
export { isUpload, uploadOf, uploadSource, type Upload } from './upload.js'
export { textOf } from './value.js'
export { allVisible, visible } from './text/visible.js'
export { type Held } from './held.js'
export { calledIn, type Change, changes, differenceLines, differenceText, fieldText, valueText } from './words.js'
export type { Names } from './naming.js'
export type { PlanRows } from './plan-rows.js'
export { outcomes, tally, type CheckOutcome, type Tally } from './report/outcome.js'
export type { ApprovalLook, QuestionLook } from './areas/signUp.js'
export type { Level } from './access/who.js'
export type { NamedItem, PlainGroup } from './baseline/plain-values.js'
export type { NamedFile } from './baseline/named-files.js'
export type { AddMistake } from './baseline/mistake.js'
export type { Sample } from './text/sample.js'
export type { PlainItem } from './area.js'
export type { AnyItem, Areas } from './areas/index.js'
export type { WantedCategory } from './areas/categories.js'
export type { WantedPage } from './areas/pages.js'
export type { Outline } from './text/opml.js'
export type { SomeFound } from './comparing/result.js'
export type { ErrorDetails } from './errors.js'
export type { Path } from './baseline/plain-values.js'
export type { CategoryItem } from './areas/categories.js'
export type { TagItem } from './areas/tags.js'
export type { PageItem } from './areas/pages.js'
export type { PostItem } from './areas/posts.js'
