import { digest, foldSpace, leadsIn, textBlocks, type Marks } from 'unpack'
import { atBirth } from '../../common/adapter/first-minutes.js'
import type { Row } from '../../common/adapter/session.js'

/** Digests of the texts that ship, measured on fresh sites in each language: stripped of tags, white space folded. */
const digests: ReadonlySet<string> = new Set([
  '731a6c9c3788d04d77eb678ff77e609465425f5a7c0873559b90e077dff912fa',
  'c002d34cd4a4d552f6024a3d90ab360bba096c968f2d1c1071560fba1d318b86',
  '815e26a10d1411d0f8aec53d5281404dc2910072d583b30d94dfcaaebf051048',
  'dbfc343a26e7d16589543dbde7ee112a9b80d30da4c2e7bd0529c7acad0ea9d5',
  '82f8c67e1bfe69e7e44cd4d7983e4f32d3154756802d43f64d3c1cadf09fbfe8',
  '130e13c3e49623d5c1776e2401f7f31df3e3829fb2bfb350398d236b8db3c4a1',
  'e8c40578dde33cab53096f05996d8a8334efad250f3656495e975c198c85913f',
  'bec9ef7e4d1bd6363db6db2b3c9d8eac43e099cc9618de3df1f77b04d9ad8b5d',
  '5a131700ae71845105b2d015db1e3e640e6f46a210f5b6f19620a65b19ee06b0',
  '07b71d4dc6d6c9f12f598847d518a17bd94192a0237f4310a493ddbb1a9d8e1d',
])

/** Whether a text is one that ships: none of them leads anywhere, or shows a picture. */
export const isShippedText = (html: string): boolean =>
  digests.has(digest(foldSpace(textBlocks(html).join(' ')))) && leadsIn(html).length === 0

/** Marks of what ships, before anybody touched it. */
export const shipped: Marks = { place: true, untouched: true, known: true }

/**
 * Marks of a page, a piece of news or an event.
 * @param ids the numbers that shipped ones have
 * @param since when the site was made
 */
export const marksOf = (row: Row, body: string, ids: readonly number[], since: string): Marks => ({
  place: ids.includes(row.id) && row.data.by === '0',
  untouched: isUntouched(row.data),
  known: isShippedText(body),
  early: row.data.by === '0' && isUntouched(row.data) && atBirth(row, since),
  hidden: row.data.state !== 'published',
})

const isUntouched = (data: Row['data']): boolean =>
  data.made === data.edited &&
  data.state === 'published' &&
  (data.date ?? data.made?.slice(0, 16)) === data.made?.slice(0, 16) &&
  data.inherit !== 'false' &&
  data.hidden !== 'true' &&
  [data.tags, data.read, data.write, data.edit].every((list) => (list ?? '') === '')

const titles = {
  en: {
    pages: [
      ['An example folder', 'an-example-folder'],
      ['A page inside', 'a-page-inside'],
    ],
    news: ['A first piece of news', 'a-first-piece-of-news'],
    event: ['An example event', 'an-example-event'],
  },
  de: {
    pages: [
      ['Ein Ordner als Beispiel', 'ein-ordner-als-beispiel'],
      ['Eine Seite darin', 'eine-seite-darin'],
    ],
    news: ['Eine erste Nachricht', 'eine-erste-nachricht'],
    event: ['Ein Termin als Beispiel', 'ein-termin-als-beispiel'],
  },
} as const

/** What examples are called: in the language that the site is made in. */
export const titlesIn = (language = 'en'): (typeof titles)['en' | 'de'] =>
  language.split('-')[0] === 'de' ? titles.de : titles.en
