import { z } from 'zod'
import type { OwnerItem } from '../../core/areas/owner.js'
import { jsonOf } from '../../web/answer.js'
import type { Visitor } from '../../web/visitor.js'
import type { Login } from '../session.js'
import { usersOf } from './groups.js'
import type { PloneSession } from './session.js'
import { basic } from './sign-in.js'

const serverSchema = z.object({ can_manage: z.boolean(), sites: z.array(z.object({ '@id': z.string() })) })

/** The whole server, for whoever looks after it. */
export const serverAs = (session: PloneSession, login: Pick<Login, 'username' | 'password'>): Visitor =>
  session.visitor.saying(basic(login)).onServer()

/** The sites on a server, as whoever looks after it is told; `undefined` if the login does not open it. */
export async function sitesOn(server: Visitor): Promise<string[] | undefined> {
  const ask = { method: 'GET', headers: { accept: 'application/json' }, purpose: 'log-in' } as const
  const answer = await server.ask('@sites', ask)
  const told = answer.status === 200 ? serverSchema.safeParse(jsonOf(answer)).data : undefined
  return told?.can_manage ? told.sites.map((site) => site['@id']) : undefined
}

/** What is to be told of the password for the whole server; nothing where the temporary login is that of an account of the site. */
export async function serverPassword(session: PloneSession): Promise<OwnerItem['server']> {
  const { keeper } = session
  if (!keeper || (await usersOf(session)).some(({ username }) => username === keeper.username)) return undefined
  if (keeper.renewed) return 'own'
  const { password, next } = keeper
  // of a run that was stopped in between, the new one may be the right one
  for (const one of next ? [password, next] : [password]) {
    const sites = await sitesOn(serverAs(session, { ...keeper, password: one }))
    // at an address that leads to one site alone, that site answers in the server's place: with a list of none
    if (sites?.some((site) => isHere(site, session.visitor))) return sites.length === 1 ? 'temporary' : 'shared'
  }
  return 'unknown'
}

const isHere = (site: string, { address }: Visitor): boolean => `${new URL(site).pathname}/` === address.base
