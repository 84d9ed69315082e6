import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import type { Fields } from '../../../common/server/office.js'
import { form } from '../html.js'
import { pagesBelow, pathOf, type ContentSite, type Page } from '../model.js'
import { may } from '../reading.js'
import type { Frame } from './frame.js'

type ByPath = (path: string) => Page | undefined
type Asked = FastifyRequest<{ Body: Fields | undefined; Params: { '*': string } }>

/** Where members work on pages in place: a form to add one below, and one to change it, which nobody else can have meanwhile. */
export function work(app: FastifyInstance, site: ContentSite, frame: Frame, byPath: ByPath): void {
  const { base, sessions } = frame
  const at = (
    go: 'add' | 'edit',
    show: (page: Page, request: Asked, reply: FastifyReply) => FastifyReply,
    take: (page: Page, request: Asked, reply: FastifyReply) => FastifyReply,
  ) => {
    const guarded = (done: typeof show) => (request: Asked, reply: FastifyReply) => {
      const page = byPath(request.params['*'])
      if (!page) return frame.lost(request, reply)
      const right = go === 'add' ? 'write' : 'edit'
      return may(site, frame.who(request), right, page) ? done(page, request, reply) : frame.refuse(request, reply)
    }
    app.get(`${base}${go}/*`, guarded(show))
    app.post(
      `${base}${go}/*`,
      guarded((page, request, reply) =>
        sessions.spend(request, request.body?.token)
          ? take(page, request, reply)
          : frame.show(request, reply, 'Expired', '<p id="expired">This form has expired.</p>', 403),
      ),
    )
  }
  const title = (value: string) => ({ name: 'title', label: 'Title', value })
  at(
    'add',
    (page, request, reply) => {
      const action = `${base}add/${request.params['*']}`
      const way = form({ action, token: sessions.token(request), id: 'add', button: 'Add', fields: [title('')] })
      return frame.show(request, reply, `Below ${page.title}`, way)
    },
    (page, request, reply) => {
      const account = frame.who(request)?.id ?? 0
      const now = new Date().toISOString()
      const id = site.next++
      const slug = `page-${id}`
      site.pages.push({
        ...{ id, slug, title: request.body?.title ?? '', summary: '', body: '', tags: [], state: 'private' },
        ...{ by: account, made: now, edited: now, parent: page.id, order: pagesBelow(site, page.id).length + 1 },
        ...{ hidden: false, formerly: [], inherit: true, shared: { read: [], write: [], edit: [] } },
      })
      return reply.redirect(`${base}${pathOf(site, page)}/${slug}/`, 303)
    },
  )
  at(
    'edit',
    (page, request, reply) => {
      const account = frame.who(request)?.id
      if (page.lockedBy !== undefined && page.lockedBy !== account)
        return frame.show(request, reply, page.title, '<p id="locked">Somebody else has it open.</p>', 423)
      page.lockedBy = account
      const action = `${base}edit/${request.params['*']}`
      const fields = [
        title(page.title),
        { name: 'cancel', label: 'Leave it as it is', value: '', kind: 'box' as const },
      ]
      const way = form({ action, token: sessions.token(request), id: 'change', button: 'Save', fields })
      return frame.show(request, reply, page.title, way)
    },
    (page, request, reply) => {
      page.lockedBy = undefined
      const { cancel, title: said = page.title } = request.body ?? {}
      if (cancel !== '1') Object.assign(page, { title: said, edited: new Date().toISOString() })
      return reply.redirect(`${base}${pathOf(site, page)}/`, 303)
    },
  )
}
