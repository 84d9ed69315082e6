import type { Field } from '../../../common/server/html.js'
import type { Office } from '../../../common/server/office.js'
import type { Board, Category, Forum } from '../model.js'
import { usualRights } from '../rights.js'

const byNumber = <T extends { id: number }>(all: readonly T[], id: string | number): T | undefined =>
  all.find((one) => String(one.id) === String(id))

/** Categories and the forums in them: lists, a form for each, and one for their order. */
export function forums(office: Office, board: Board): void {
  const words = (item?: Category): Field[] => [
    { name: 'title', label: 'Title', value: item?.title ?? '' },
    { name: 'description', label: 'Description', value: item?.description ?? '' },
  ]
  office.get('/categories', (_request, reply) => {
    const rows = board.categories.map(({ id, title, description }) => ({ id, marks: { description }, cells: [title] }))
    return office.screen(reply, 'categories', office.table(rows, 'categories'))
  })
  office.get('/categories/:id', (request, reply) => {
    const item = byNumber(board.categories, request.params.id)
    const editor = office.editor(request, `/categories/${request.params.id}`, words(item), item !== undefined)
    return office.screen(reply, 'categories', editor)
  })
  office.post('/categories/:id', '/categories', ({ title = '', description = '' }, id) => {
    if (title === '') return 'It needs a title.'
    const item = byNumber(board.categories, id)
    if (item) Object.assign(item, { title, description })
    else board.categories.push({ id: board.next, title, description })
    return item ? undefined : board.next++
  })
  office.post('/categories/:id/remove', '/categories', (_body, id) => {
    for (const { id: forum } of board.forums.filter(({ category }) => category === id)) removeForum(board, forum)
    board.categories = board.categories.filter((one) => one.id !== id)
    return undefined
  })

  const more = (item?: Forum): Field[] => [
    ...words(item),
    {
      name: 'category',
      label: 'Stands in',
      value: String(item?.category ?? ''),
      choices: board.categories.map(({ id }) => String(id)),
    },
    { name: 'locked', label: 'Locked', value: item?.locked ? '1' : '', kind: 'box' },
    {
      name: 'removeOldAfter',
      label: 'Days after which old topics go; 0: never',
      value: String(item?.removeOldAfter ?? 0),
    },
  ]
  office.get('/forums', (_request, reply) => {
    const rows = board.forums.map(({ id, title, category, description, locked, removeOldAfter }) => ({
      id,
      marks: { category: String(category), description, locked: String(locked), days: String(removeOldAfter) },
      cells: [title],
    }))
    return office.screen(reply, 'forums', office.table(rows, 'forums'))
  })
  office.get('/forums/:id', (request, reply) => {
    const item = byNumber(board.forums, request.params.id)
    const editor = office.editor(request, `/forums/${request.params.id}`, more(item), item !== undefined)
    return office.screen(reply, 'forums', editor)
  })
  office.post('/forums/:id', '/forums', (body, id) => {
    const { title = '', description = '', category = '', locked, removeOldAfter = '0' } = body
    if (title === '' || !byNumber(board.categories, category)) return 'It needs a title, and a category.'
    const written = {
      ...{ title, description, category: Number(category), locked: locked === '1' },
      removeOldAfter: Number(removeOldAfter),
    }
    const item = byNumber(board.forums, id)
    if (item) Object.assign(item, written)
    else board.forums.push({ id: board.next, ...written, may: usualRights() })
    return item ? undefined : board.next++
  })
  office.post('/forums/:id/remove', '/forums', (_body, id) => {
    removeForum(board, id)
    return undefined
  })

  office.get('/order', (request, reply) => {
    const all = [...board.categories, ...board.forums].map(({ id }) => id).join(' ')
    const fields = [{ name: 'order', label: 'Numbers of categories and forums, in their order', value: all }]
    return office.screen(reply, 'order', office.editor(request, '/order', fields))
  })
  office.post('/order', '/order', ({ order = '' }) => {
    const place = (id: number) => order.split(' ').indexOf(String(id))
    board.categories.sort((a, b) => place(a.id) - place(b.id))
    board.forums.sort((a, b) => place(a.id) - place(b.id))
    return undefined
  })
}

function removeForum(board: Board, id: number): void {
  board.topics = board.topics.filter(({ forum }) => forum !== id)
  board.forums = board.forums.filter((one) => one.id !== id)
}
