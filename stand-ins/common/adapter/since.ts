import { load } from 'cheerio'
import type { Visitor } from 'unpack'
import type { StandInSession } from './session.js'

/* When a site was made, as its dashboard and its pages say it: no two sites were made at one moment. */

export const sinceOf = (session: StandInSession): Promise<string> =>
  session.shelf.read('since', async () => (await session.screen(''))('#since').attr('data-since') ?? '')

export const sinceShown = async (visitor: Visitor): Promise<string | undefined> =>
  load((await visitor.get('')).text)('meta[name=since]').attr('content') || undefined
