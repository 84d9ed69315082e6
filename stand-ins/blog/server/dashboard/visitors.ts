import type { Blog, Settings } from '../model.js'
import type { Office } from '../../../common/server/office.js'

const approvals = ['all', 'newcomers', 'none']
const roles = ['reader', 'writer', 'editor']

/** What visitors may do: comment, and make an account. */
export function visitors(office: Office, blog: Blog): void {
  const box = (name: string, label: string, on: boolean) => ({
    name,
    label,
    value: on ? '1' : '',
    kind: 'box' as const,
  })
  office.get('/visitors', (request, reply) => {
    const { settings: now } = blog
    const fields = [
      box('commentsAllowed', 'Visitors may comment on new posts', now.commentsAllowed),
      { name: 'approve', label: 'Whose comments wait', value: now.approve, choices: approvals },
      { name: 'linksBeforeApproval', label: 'More links than this wait', value: String(now.linksBeforeApproval) },
      box('joinOpen', 'Visitors may make an account', now.joinOpen),
      { name: 'joinRole', label: 'New accounts are', value: now.joinRole, choices: roles },
    ]
    return office.screen(reply, 'visitors', office.editor(request, '/visitors', fields))
  })
  office.post('/visitors', '/visitors', (body) => {
    const { settings: now } = blog
    now.commentsAllowed = body.commentsAllowed === '1'
    now.joinOpen = body.joinOpen === '1'
    if (approvals.includes(body.approve ?? '')) now.approve = body.approve as Settings['approve']
    if (roles.includes(body.joinRole ?? '')) now.joinRole = body.joinRole as Settings['joinRole']
    now.linksBeforeApproval = Math.max(0, Number(body.linksBeforeApproval) || 0)
    return undefined
  })
}
