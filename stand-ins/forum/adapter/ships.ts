import type { Marks, Reading } from 'unpack'

const shipped: Marks = { place: true, untouched: true, known: true }

/** What a fresh one holds. A host installs it with its owner: no form on the web comes before. */
export const ships = (): Reading => ({
  owner: [],
  site: [{ id: 'site', item: { title: 'Forum', description: 'Just another forum', language: 'en', timezone: 'UTC' } }],
  forums: [
    { id: 1, item: { title: 'Test category', parent: '' }, marks: shipped },
    { id: 2, item: { title: 'Test forum', parent: 'forums/Test category' }, marks: shipped },
  ],
  topics: [
    { id: 3, item: { key: '3', title: 'Test topic', forum: 'forums/Test category/Test forum' }, marks: shipped },
  ],
  groups: [],
  members: [],
})
