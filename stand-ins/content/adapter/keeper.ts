import { formOn, pageOf, type Keeper, type ItemOf, type Login } from 'unpack'
import { logIn, type StandInSession } from '../../common/adapter/session.js'

const sign = { has: 'ul#sites[data-count]', wanted: 'the page of the server' }
const leave = { purpose: 'log-in' } as const

/** The page of the server as a browser of whoever looks after it shows it, and what it leads to; `undefined` if the login is refused. */
async function onServer<T>(
  session: StandInSession,
  login: Login,
  look: (page: Page) => T,
): Promise<Awaited<T> | undefined> {
  const visitor = session.visitor.another()
  if (!(await logIn(visitor, login))) return undefined
  try {
    return await look({ visitor, $: pageOf(await visitor.get('server'), sign) })
  } finally {
    await visitor.post('leave', {}, leave)
  }
}
interface Page {
  visitor: StandInSession['visitor']
  $: ReturnType<typeof pageOf>
}
const opens = async (session: StandInSession, login: Login): Promise<boolean> =>
  (await onServer(session, login, () => true)) ?? false

/** What is to be told of the password for the whole server; nothing where the temporary login is that of an account of the site. */
export async function serverPassword(session: StandInSession): Promise<ItemOf<'owner'>['server']> {
  const { keeper } = session
  if (!keeper || (await session.rows('accounts')).some(({ data }) => data.name === keeper.username)) return undefined
  if (keeper.renewed) return 'own'
  // of a run that was stopped in between, the new one may be the right one
  for (const password of keeper.next ? [keeper.password, keeper.next] : [keeper.password]) {
    const sites = await onServer(session, { ...keeper, password }, ({ $ }) => Number($('#sites').attr('data-count')))
    if (sites !== undefined) return sites === 1 ? 'temporary' : 'shared'
  }
  return 'unknown'
}

/** Puts a new password in the place of the host's temporary one. It is tried before it counts. @returns why that was refused */
export async function renew(session: StandInSession, next: Keeper['password']): Promise<string | undefined> {
  const { keeper } = session
  if (!keeper) return 'there is no login for the server'
  const renewed = { username: keeper.username, password: next }
  // of a run that was stopped behind its sending
  if (!(await opens(session, renewed))) {
    // where the answer is lost, either may be the right one
    session.keeper = { ...keeper, next }
    await onServer(session, keeper, ({ visitor, $ }) => {
      const form = formOn($, 'form#password')
      return visitor.post('server', { ...form?.fields, password: next.reveal(), confirm: next.reveal() })
    })
    if (!(await opens(session, renewed))) return 'the new password did not open the server; both are in the logins file'
  }
  session.keeper = { ...renewed, renewed: true }
  return session.login.username === keeper.username && !(await session.become(renewed))
    ? 'the new password did not open the site'
    : undefined
}
