import { VERSION } from '../../common/server/version.js'
import { pagesBelow, type ContentSite, type Entry, languages } from './model.js'

/** What stands on the front as long as nobody wrote anything else: in the language of the first-run form. */
export const welcome = {
  en: '<p>This site has just been made. Whoever looks after it can sign in and write something better here.</p>',
  de: '<p>Diese Seiten sind eben erst entstanden. Wer sie betreut, meldet sich an und schreibt hier etwas Besseres.</p>',
}
const examples = {
  en: {
    page: {
      title: 'An example folder',
      slug: 'an-example-folder',
      body: '<p>Pages can stand below a page, as in a folder. This one is here to show that.</p>',
    },
    inside: {
      title: 'A page inside',
      slug: 'a-page-inside',
      body: '<p>It stands below the example folder, and goes with it.</p>',
    },
    news: {
      title: 'A first piece of news',
      slug: 'a-first-piece-of-news',
      body: '<p>News came with the site, so that there is something to see.</p>',
    },
    event: {
      title: 'An example event',
      slug: 'an-example-event',
      body: '<p>Nobody will come to this event: it only shows where one would stand.</p>',
    },
  },
  de: {
    page: {
      title: 'Ein Ordner als Beispiel',
      slug: 'ein-ordner-als-beispiel',
      body: '<p>Seiten können unter einer Seite stehen wie in einem Ordner. Das zeigt diese hier.</p>',
    },
    inside: {
      title: 'Eine Seite darin',
      slug: 'eine-seite-darin',
      body: '<p>Sie steht unter dem Ordner und geht mit ihm.</p>',
    },
    news: {
      title: 'Eine erste Nachricht',
      slug: 'eine-erste-nachricht',
      body: '<p>Diese Nachricht gab es von Anfang an, damit etwas zu sehen ist.</p>',
    },
    event: {
      title: 'Ein Termin als Beispiel',
      slug: 'ein-termin-als-beispiel',
      body: '<p>Zu diesem Termin kommt niemand: er zeigt nur, wo einer stünde.</p>',
    },
  },
}

/** What the first-run form does: a site, and whatever ships with it. */
export function setUp(
  site: ContentSite,
  asked: { title: string; description: string; language: string; timezone: string; examples: boolean },
  now = new Date(),
): void {
  const at = now.toISOString()
  site.standing = 'set up'
  site.since = at
  const language = (languages as readonly string[]).includes(asked.language) ? asked.language : 'en'
  const words = language === 'de' ? 'de' : 'en'
  const { title, description, timezone } = asked
  Object.assign(site.settings, { title, description, language, timezone, frontText: welcome[words] })
  site.themes.push(
    { id: 1, name: 'plain', version: '1.0', automatic: false, active: true },
    { id: 2, name: 'plainer', version: '1.0', automatic: false, active: false },
  )
  site.addOns.push({ id: 1, name: 'comments', version: '1.0', active: false, automatic: false })
  site.columns.left.lines = ['navigation']
  if (asked.examples) showExamples(site, words, at)
  if (site.version !== VERSION) shipLater(site, at)
}

/** The content of a later version: another text, and one page more. */
function shipLater(site: ContentSite, at: string): void {
  for (const page of site.pages.slice(0, 1)) page.body = '<p>Folders look like this these days.</p>'
  site.pages.push({
    ...{ id: 5, title: 'First steps', slug: 'first-steps', body: '<p>Three things to do first.</p>', ...frame },
    ...entryAt(at, 5),
    ...{ shared: { read: [], write: [], edit: [] }, parent: 0 },
  })
}

const frame = { hidden: false, formerly: [] as string[], inherit: true, order: 1 }
const entryAt = (
  at: string,
  id: number,
): Pick<Entry, 'id' | 'summary' | 'tags' | 'state' | 'by' | 'made' | 'edited'> => ({
  ...{ id, summary: '', tags: [], state: 'published', by: 0, made: at, edited: at },
})

function showExamples(site: ContentSite, words: 'en' | 'de', at: string): void {
  const { page, inside, news, event } = examples[words]
  const entry = (id: number) => entryAt(at, id)
  const shared = () => ({ read: [], write: [], edit: [] })
  site.pages.push(
    { ...entry(1), ...page, ...frame, shared: shared(), parent: 0 },
    { ...entry(2), ...inside, ...frame, shared: shared(), parent: 1 },
  )
  site.news.push({ ...entry(3), ...news, date: at.slice(0, 16), open: false })
  const day = at.slice(0, 10)
  site.events.push({ ...entry(4), ...event, start: `${day}T10:00`, end: `${day}T11:00`, place: '' })
  site.columns.right.lines = ['latest posts', 'events']
}

/** Somebody at work on it: items that neither shipped nor stand in any baseline. */
export function inUse(site: ContentSite): void {
  const at = '2026-03-05T14:07:00.000Z'
  site.pages.push({
    ...{ id: site.next++, title: 'Our boat', slug: 'our-boat', summary: '', tags: [], state: 'published' },
    ...{ body: '<p>She is called Periwinkle, and she leaks.</p>', by: 0, made: at, edited: at },
    ...{ parent: 0, order: pagesBelow(site, 0).length + 1, hidden: false, formerly: [], inherit: true },
    shared: { read: [], write: [], edit: [] },
  })
}
