import type { Reading } from '../../core/areas/index.js'

/** What a fresh one holds. It is installed on the server with its owner: no form on the web comes before. */
export const ships = (): Reading => ({
  owner: [],
  site: [{ id: 'site', item: { title: 'Misago', description: '' } }],
  forums: [
    {
      id: 3,
      item: { title: 'First category', parent: '', description: '', locked: false },
      marks: { place: true, untouched: true, known: true },
    },
  ],
  theme: [
    {
      id: 1,
      item: { use: 'Default Misago Theme', active: true, version: '' },
      marks: { place: true, untouched: true, known: true, needed: true },
    },
  ],
  groups: [],
  members: [],
})
