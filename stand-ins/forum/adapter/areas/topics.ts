import { digest, foldSpace, refOf, Step, type AreaOnSystem, idOf } from 'unpack'
import { z } from 'zod'
import { atBirth, firstAccountMade } from '../../../common/adapter/first-minutes.js'
import type { StandInSession } from '../../../common/adapter/session.js'
import { items, newTopics } from '../carriers/forms.js'
import { shippedTexts } from '../shipped-texts.js'

const copySchema = z.object({ text: z.string().default('') })

export const topics: AreaOnSystem<'topics', StandInSession> = {
  keys: ['key', 'title', 'forum'],
  async read(session) {
    const [rows, forums, categories, accounts] = await Promise.all([
      session.rows('topics'),
      session.rows('forums'),
      session.rows('categories'),
      session.rows('accounts'),
    ])
    const born = firstAccountMade(accounts)
    const pathOf = (id: string | undefined) => {
      const forum = forums.find((row) => String(row.id) === id)
      const category = categories.find((row) => String(row.id) === forum?.data.category)
      return `${category?.cells[0] ?? ''}/${forum?.cells[0] ?? ''}`
    }
    return rows.map((row) => {
      const { id, name, data, cells } = row
      const untouched = data.untouched === 'true'
      const item = { key: name, title: cells[0] ?? '', forum: refOf('forums', pathOf(data.forum)) }
      return {
        id,
        item,
        address: new URL(`topic/${id}`, session.visitor.home).href,
        marks: {
          place: id === 3 && data.by === '1',
          untouched,
          known: shippedTexts.has(digest(foldSpace(data.text ?? ''))),
          early: data.by === '1' && untouched && atBirth(row, born),
        },
        copy: { ...item, text: data.text },
        text: item.title,
      }
    })
  },
  translate: (differences) =>
    differences.flatMap((difference) =>
      difference.is === 'left over'
        ? [Step.of(items, { room: 'topics', id: idOf(difference.ref), remove: true }, { proves: [difference] })]
        : [],
    ),
  // started again by the owner, on the public side
  again({ ref, item, copy }) {
    const { text } = copySchema.parse(copy)
    return Step.of(newTopics, { forum: idOf(item.forum), title: item.title, text }, { proves: [], gives: ref })
  },
  ships: () => [
    {
      id: 3,
      item: { key: '3', title: 'Test topic', forum: 'forums/Test category/Test forum' },
      marks: { place: true, untouched: true, known: true },
    },
  ],
  shippedAt: () => ['/topic/3'],
}
