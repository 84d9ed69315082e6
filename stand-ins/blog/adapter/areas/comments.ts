import { digest, refOf, Step, type AreaOnSystem, idOf } from 'unpack'
import { z } from 'zod'
import type { StandInSession } from '../../../common/adapter/session.js'
import { shipped } from '../marks.js'
import { items } from '../carriers/forms.js'
import { shippedTexts } from '../shipped-texts.js'

const copySchema = z.object({ by: z.string(), text: z.string(), made: z.string(), state: z.string() })

export const comments: AreaOnSystem<'comments', StandInSession> = {
  keys: ['by', 'on'],
  async read(session) {
    const [rows, posts] = await Promise.all([session.rows('comments'), session.rows('posts')])
    return rows.map(({ id, data, cells }) => {
      const on = posts.find((post) => String(post.id) === data.post)
      return {
        id,
        item: { key: String(id), by: cells[0] ?? '', on: on ? refOf('posts', on.data.slug ?? '') : '' },
        marks: {
          place: id === 1,
          untouched: data.made === on?.data.made,
          known: shippedTexts.has(digest(data.text ?? '')),
        },
        text: data.text,
        copy: data,
      }
    })
  },
  translate: (differences) =>
    differences.map((difference) =>
      Step.of(items, { room: 'comments', id: idOf(difference.ref), remove: true }, { proves: [difference] }),
    ),
  again({ item, copy }) {
    const { by, text, made, state } = copySchema.parse(copy)
    return Step.of(items, { room: 'comments', fields: { post: idOf(item.on), by, text, made, state } }, { proves: [] })
  },
  ships: () => [{ id: 1, item: { key: '1', by: 'The blog itself', on: 'posts/a-first-post' }, marks: shipped }],
}
