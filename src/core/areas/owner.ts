import { z } from 'zod'
import { easyUserName } from '../baseline/easy-user-name.js'
import type { Area } from '../area.js'
import { mail, userName } from '../baseline/values.js'
import { textOf } from '../value.js'

export const ownerSchema = z.strictObject({
  username: userName.describe('The name the owner signs in with; one that is easy to guess is refused'),
  name: z
    .strictObject({
      first: z
        .string()
        .optional()
        .describe('First name')
        .meta({ examples: ['Ines'] }),
      last: z
        .string()
        .optional()
        .describe('Last name')
        .meta({ examples: ['Marlow'] }),
      shown: z
        .string()
        .min(1)
        .optional()
        .describe('The name that visitors see')
        .meta({ examples: ['Ines at the café'] }),
    })
    .optional()
    .describe("The owner's names"),
  email: mail.optional().describe("The owner's e-mail address; a first-run form needs one"),
  password: z
    .enum(['made', 'stored', 'asked'])
    .default('made')
    .describe(
      'made = strong, random, kept in the logins file; stored = it is in the logins file already; asked = you are asked for it. A password itself never stands here',
    ),
  signInAs: userName
    .optional()
    .describe("The login to start with, when the host made one: it is in the logins file. The owner's takes its place"),
})

export interface OwnerItem {
  username: string
  first?: string
  last?: string
  shown?: string
  email?: string
  /** Whether the password is the host's temporary one, or the owner's own. */
  password?: 'temporary' | 'own'
  /**
   * Where a login for a whole server makes the site: whether its stored password is the host's temporary one, for this site
   * alone (`temporary`), for others too (`shared`), or for nobody knows what (`unknown`), or the owner's own.
   */
  server?: 'temporary' | 'shared' | 'unknown' | 'own'
}

const hosts: Partial<Record<string, string>> = {
  temporary: "the host's",
  shared: "the host's, for other sites too",
  unknown: "the host's, as stored",
}

/** What keeps a temporary password for a server from being renewed. */
const whyNotRenewed: Partial<Record<string, string>> = {
  shared: 'it opens other sites on that server too: whoever looks after all of them renews it',
  unknown:
    'the stored login does not open that server from this address: store one that does, or forget it (unpack logins remove)',
}

const words: Record<keyof OwnerItem, string> = {
  username: 'user name',
  first: 'first name',
  last: 'last name',
  shown: 'shown name',
  email: 'e-mail',
  password: 'password',
  server: 'password for the server',
}

/** Its part of the baseline file. */
export const ownerPart = {
  owner: ownerSchema
    .describe('Who owns the site')
    .meta({ examples: [{ username: 'marlow', email: 'ines@repair.example', password: 'made' }] }),
}

export const owner: Area<'owner', OwnerItem> = {
  name: 'owner',
  title: 'owner',
  list: 'one',
  questions: [
    { key: 'owner.username', ask: 'By which name do you sign in?' },
    { key: 'owner.email', ask: 'What is your e-mail address?' },
    { key: 'owner.name', ask: 'What are you called, and what do visitors call you?' },
  ],
  keys: ['username', 'first', 'last', 'shown', 'email', 'password', 'server'],
  unsaid: ['server'],
  settledAlways: ['username', 'password', 'server'],
  mistakes: easyUserName,
  ref: () => 'owner',
  plan: ({ owner }) => [
    { item: { username: owner.username, ...owner.name, email: owner.email, password: 'own', server: 'own' } },
  ],
  fixed(key, found) {
    const server = key === 'server' ? found('owner')[0]?.item : undefined
    return server && 'server' in server ? whyNotRenewed[String(server.server)] : undefined
  },
  same: (key, wanted, found) =>
    key === 'email' ? textOf(wanted).toLowerCase() === textOf(found).toLowerCase() : wanted === found,
  call: (item) => `the owner “${item.username}”`,
  say: (key) => words[key],
  show(key, value) {
    if (key !== 'password' && key !== 'server') return textOf(value)
    return value === 'own' ? 'your own' : (hosts[textOf(value)] ?? 'none')
  },
}
