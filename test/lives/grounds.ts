import { Secret, type Baseline } from 'unpack'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'
import { kinds } from './kinds.js'
import type { Ground, Item } from './sequences.js'
import type { Thing } from './site.js'
import { thingsOf } from './snapshot.js'
import { now, paragraph, textOf } from './values.js'

/** What a plan with one item says on a kind of site. */
export interface PlanOfOne {
  others: readonly [string, string]
  ref(name: string): string
  /** The ref under which its readers are reported. */
  readers(name: string): string
  plan(address: string, name: string, item: Item, owner?: string): Baseline
}
const page: PlanOfOne = {
  others: ['News', 'Latest'],
  ref: (name) => `pages/${name}`,
  readers: (name) => `pages/${name}`,
  plan: (address, name, { text, other }, owner) =>
    planned(address, `pages: [{ title: ${other}, slug: ${name}, body: text.md }]`, { 'text.md': text }, owner),
}
/** By kind of site. Its text is a body, a description, or a product's name; its other key a title, a lock, or a price. */
export const plansOfOne = {
  blog: page,
  content: page,
  forum: {
    others: ['false', 'true'],
    ref: (name) => `forums/Shore/${name}`,
    readers: (name) => `access/Shore/${name}`,
    plan(address, name, { text, other }, owner) {
      const access = '{ see: everyone, read: everyone }'
      const forum = `{ title: ${name}, description: ${text}, locked: ${other}, access: ${access} }`
      return planned(address, `forums: [{ title: Shore, forums: [${forum}] }]`, {}, owner)
    },
  },
  shop: {
    others: ['2.40', '3.10'],
    ref: (name) => `products/${name}`,
    readers: (name) => `products/${name}`,
    plan: (address, name, { text, other }, owner) =>
      planned(
        address,
        `store: { currency: GBP }\ncategories: [{ name: Beans, slug: beans }]\nproducts: [{ name: ${text}, sku: ${name}, slug: ${name}, categories: [beans], price: "${other}" }]`,
        {},
        owner,
      ),
  },
} as const satisfies Record<string, PlanOfOne>

/** Which fields of a stand-in's model hold the text and the other key, and how its people close something. */
const models: Record<keyof typeof plansOfOne, { text: string; other: string; close: (thing: Thing) => void }> = {
  blog: { text: 'body', other: 'title', close: (page) => (page.state = 'draft') },
  content: { text: 'body', other: 'title', close: (page) => (page.state = 'private') },
  forum: {
    ...{ text: 'description', other: 'locked' },
    close: (forum) => (forum.may = { ...(forum.may as object), read: ['administrators'], see: ['administrators'] }),
  },
  shop: { text: 'name', other: 'price', close: (product) => (product.state = 'hidden') },
}

/** A stand-in on which sequences are played. */
export async function standInGround(
  kind: keyof typeof plansOfOne,
  root: string,
): Promise<Ground & { end(): Promise<void> }> {
  const site = kinds[kind]()
  const address = await site.running.listen(0)
  const folders = await ownFolders(root)
  for (const { username, password, ...how } of site.logins)
    await folders.logins.put(address, username, new Secret(password), how)
  const { others, ref, readers, plan } = plansOfOne[kind]
  const { text, other, close } = models[kind]
  const find = (name: string) => thingsOf(site).find(({ room, thing }) => site.refOf(room, thing) === ref(name))
  const owner = kind === 'forum' ? 'boss' : kind === 'content' ? 'keeper' : undefined
  const signInAs = owner === undefined ? '' : `, signInAs: ${owner}`
  return {
    ...{ options: { ...folders, systems: [site.system] }, others, ref, readers },
    plan: (name, item) => plan(address, name, item, `username: marlow, email: marlow@quay.example${signInAs}`),
    async read(name) {
      const one = find(name)
      if (!one) return undefined
      const { room, thing } = one
      const isOpen = site.audience(room, thing).includes('read everyone')
      return { text: textOf(thing[text]).replace(/<[^>]*>/g, ''), other: String(thing[other]), isOpen }
    },
    async write(name, words) {
      const thing = find(name)?.thing ?? { id: 0 }
      thing[text] = text === 'body' ? paragraph(words) : words
      if ('edited' in thing) thing.edited = now()
    },
    async close(name) {
      close(find(name)?.thing ?? { id: 0 })
    },
    end: () => site.running.close(),
  }
}
