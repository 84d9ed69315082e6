import { catalogue, waiting } from '../../../common/server/catalogue.js'
import type { Blog, Settings } from '../model.js'
import type { Office } from '../../../common/server/office.js'

const systems = ['all', 'fixes', 'none']

/** Which new versions are taken by themselves, and those that wait. */
export function updates(office: Office, blog: Blog): void {
  const all = () => [
    ...waiting(blog.themes, catalogue.themes).map((one) => ({ kind: 'theme', ...one })),
    ...waiting(blog.addOns, catalogue.addOns).map((one) => ({ kind: 'add-on', ...one })),
  ]
  office.get('/updates', (request, reply) => {
    const { system, themes, addOns } = blog.settings.updates
    const rows = all().map(({ kind, own, offer }) => ({
      id: `${kind} ${own.name}`,
      marks: { kind, name: own.name, version: offer.version },
      cells: [own.name, `${own.version} → ${offer.version}`],
    }))
    const box = (name: string, label: string, on: boolean) => ({
      name,
      label,
      value: on ? '1' : '',
      kind: 'box' as const,
    })
    const fields = [
      { name: 'system', label: 'New versions of the system', value: system, choices: systems },
      box('themes', 'Themes update themselves', themes),
      box('addOns', 'Add-ons update themselves', addOns),
    ]
    const take = office.button(request, '/updates/take', 'take', 'Take all')
    return office.screen(reply, 'updates', office.editor(request, '/updates', fields) + office.table(rows) + take)
  })
  office.post('/updates', '/updates', (body) => {
    const now = blog.settings.updates
    if (systems.includes(body.system ?? '')) now.system = body.system as Settings['updates']['system']
    // a rule for all: each package can be told otherwise afterwards
    for (const kind of ['themes', 'addOns'] as const) {
      const automatic = body[kind] === '1'
      if (now[kind] !== automatic) for (const one of blog[kind]) one.automatic = automatic
      now[kind] = automatic
    }
    return undefined
  })
  office.post('/updates/take', '/updates', () => {
    for (const { own, offer } of all()) Object.assign(own, offer)
    return undefined
  })
}
