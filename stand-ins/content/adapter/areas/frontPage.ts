import { areas, bodyOf, idOf, refOf, Step, type AreaOnSystem } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { front } from '../carriers/forms.js'
import { isShippedText } from '../shipped.js'

export const frontPage: AreaOnSystem<'frontPage', StandInSession> = {
  can({ baseline }) {
    const { frontPage: planned } = baseline
    const page = typeof planned === 'object' && 'page' in planned ? planned.page : undefined
    const atTop = areas.pages.plan(baseline).some(({ item }) => item.slug === page && item.parent === '')
    return {
      posts: { never: 'news has a list of its own on this system' },
      ...(planned === 'posts' && { page: { never: 'news has a list of its own here, which is no front page' } }),
      ...(page !== undefined && !atTop && { page: { never: 'only a page at the top can be the front page' } }),
    }
  },
  async read(session) {
    const [{ frontPage: first, frontText: body = '' }, pages] = await Promise.all([
      session.form('front'),
      session.rows('pages'),
    ])
    const slug = pages.find(({ id }) => String(id) === first)?.data.slug
    const ships = isShippedText(body)
    return [
      {
        id: 'frontPage',
        item: { page: slug === undefined ? '' : refOf('pages', slug), posts: '', body },
        marks: { place: ships, untouched: ships, known: ships },
        copy: { body },
      },
    ]
  },
  translate: (differences) =>
    differences.flatMap((difference) => {
      if (difference.is !== 'different') return []
      const { wanted, fields } = difference
      const { page, body } = wanted
      const changes = {
        ...(fields.includes('page') && { frontPage: page === '' ? '0' : idOf(page) }),
        ...(fields.includes('body') && body !== undefined && { frontText: bodyOf(body) }),
      }
      return [Step.of(front, changes, { proves: [difference] })]
    }),
}
