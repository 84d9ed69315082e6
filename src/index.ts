/**
 * Survey, compare, settle and confirm as calls, and what an adapter for another system is made of.
 * @module unpack
 */
export * from './core/index.js'
export { compareSite, type Compared } from './engine/compare.js'
export { confirm, type Confirmed, type ConfirmOptions } from './engine/confirm.js'
export type { Phase, RunEvent } from './engine/events.js'
export { baselineFile } from './disk/baseline-file.js'
export { InMemory } from './engine/in-memory.js'
export type { HeldLock, Keeping, KeptFile, Memory, RunRecord } from './engine/keeping.js'
export { onDisk } from './engine/on-disk.js'
export type { Mailbox, RunOptions, SurveyOptions } from './engine/options.js'
export { chooseAll, settle, type Choice, type Chosen, type SettleOptions, type Settled } from './engine/settle.js'
export { survey, type Surveyed } from './engine/survey.js'
export { undo, type Undone } from './engine/undo.js'
export { commentFormAt } from './looks/comment-form.js'
export { feedAt } from './looks/feed.js'
export { followed } from './looks/leads-on.js'
export { bad, good, notLookedAt, type Look, type Outcome, type Sight } from './looks/look.js'
export { logoAt } from './looks/logo.js'
export { listedAt, productAt } from './looks/product.js'
export { searchAt } from './looks/search.js'
export { signUpAt, type SignUpPage } from './looks/sign-up.js'
export { wornBy } from './looks/theme.js'
export type { Trying, TryingAt } from './looks/trying.js'
export { LoginsFile, type StoredLogin } from './logins/file.js'
export { LazyLogins, type Logins } from './logins/logins.js'
export { makePassword } from './logins/password.js'
export { MailFolder } from './mail/folder.js'
export { builtIn } from './systems/index.js'
export { notLatin } from './systems/latin.js'
export { valuesToSend } from './systems/values-to-send.js'
export { settingSteps, type SettingFields, type Settings } from './systems/setting-steps.js'
export { Shelf } from './systems/shelf.js'
export {
  addressOf,
  bodyOf,
  idOf,
  secretOf,
  type AddressOf,
  type IdOf,
  type Resolved,
  type SecretOf,
  type TextOf,
} from './systems/later.js'
export { provenIn, type Proven } from './systems/lines.js'
export { Step, type Carried, type Carrier } from './systems/step.js'
export { isSystem, type FirstLook, type PublicSide, type Screen, type System } from './systems/system.js'
export { type ArchiveFile, type PackageFacts } from './systems/package-facts.js'
export { type Kept, type AreaOnSystem, type Here } from './systems/area-on-system.js'
export { type Eyes, type LookedAt, type Seen } from './systems/eyes.js'
export { type Keeper, type Login, type Session, type SignedIn } from './systems/session.js'
export { jsonOf, type Answer } from './web/answer.js'
export type { Resolve } from './web/connections.js'
export { NoAnswer } from './web/failure.js'
export { changedPairs, formOn, has, type Form } from './web/forms.js'
export { documentOf, formIn, isWhole, pageOf, type FormSign, type Sign } from './web/reading.js'
export { Traffic } from './web/traffic.js'
export { type Exchange, type Outgoing, type Watch } from './web/exchange.js'
export type { Ask, FilePart, FormFields, Purpose } from './web/ask.js'
export { Visitor, type VisitorOptions } from './web/visitor.js'
export type { StateFile } from './engine/state-file.js'
export type { Intent, Made } from './engine/under-way.js'
export { Guard } from './logins/guard.js'
export type { KeptText } from './engine/keeping.js'
export type { Systems } from './engine/known-systems.js'
export type { LoginKind } from './logins/file.js'
export type { Soon } from './logins/logins.js'
export type { StepDuties } from './systems/step.js'
export type { Abilities, OnSite } from './systems/area-on-system.js'
