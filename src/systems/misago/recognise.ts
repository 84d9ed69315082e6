import { z } from 'zod'
import { has } from '../../web/forms.js'
import { jsonOf } from '../../web/answer.js'
import { originOf } from '../../core/shipped.js'
import type { Recognised } from '../../core/findings.js'
import type { FirstLook } from '../system.js'
import { SHIPPED } from './shipped.js'
import { pageIn } from './page.js'

const topics = z.object({ results: z.array(z.object({ id: z.number() })) })

/** Knows the system by what its pages are built of, never by a word on one. It has no first-run form on the web. */
export async function recognise({ front, get }: FirstLook): Promise<Recognised | undefined> {
  if (!has(front.text, '#misago-container')) return undefined
  const page = pageIn(front)
  const address = front.url.replace(/[?#].*/, '')
  // visitors are not told which version it is: the page's data has the shape that was proven, or has not
  const known = { id: 'misago', name: 'Misago', version: page ? '0.39' : '', proven: page !== undefined, address }
  if (!page) return { ...known, state: 'set up' }
  const list = topics.safeParse(jsonOf((await get('api/threads/')) ?? front)).data?.results ?? []
  const categories = page.CATEGORIES.filter(({ parent }) => parent !== null)
  return {
    ...known,
    state: 'set up',
    seen: [
      ...categories.map(({ id, name }) => {
        const shipped = id === SHIPPED.id && SHIPPED.titles.includes(name)
        return { ref: `forums/${name}`, origin: originOf({ place: shipped, untouched: shipped, known: shipped }) }
      }),
      ...list.map(({ id }) => ({ ref: `topics/${id}`, origin: originOf(undefined) })),
    ],
  }
}
