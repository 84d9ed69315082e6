import { standInSite, type StandInSite } from '../../common/server/site.js'
import { VERSION } from '../../common/server/version.js'
import { dashboard } from './dashboard/index.js'
import { firstRunForm } from './first-run.js'
import { emptySite, type ContentSite } from './model.js'
import { publicPages } from './public/index.js'
import { inUse, setUp } from './ships.js'
import { wholeServer } from './whole-server.js'

/** What a stand-in content site is like when it starts. */
export interface StandInContentOptions {
  /** Its version. Any other than 1.0 ships a text and a page that no adapter knows. */
  version?: string
  standing?: 'first-run' | 'fresh' | 'in-use'
  /** The folder it lives in, with a slash at both ends. */
  base?: string
  /** Whoever looks after its server, and makes the site. */
  keeper?: { username: string; password: string }
  /** The folders of other sites on its server. */
  neighbours?: readonly string[]
  /** Whether one that is made already holds its examples. */
  examples?: boolean
  /** The language of one that is made already. */
  language?: string
}

/** A stand-in content site that is running, with everything in reach that a test may want to change behind its back. */
export interface StandInContent extends StandInSite {
  content: ContentSite
}

/**
 * Makes a stand-in content site: HTML only, in memory only. The server is there, and whoever looks after it makes the site.
 * @example const museum = standInContent({ base: '/museum/' }); await museum.listen(4103)
 */
export function standInContent({
  standing = 'first-run',
  base = '/',
  keeper = { username: 'keeper', password: 'harbour-light-41' },
  neighbours = [],
  examples = standing === 'fresh',
  language = 'en',
  version = VERSION,
}: StandInContentOptions = {}): StandInContent {
  const content = emptySite(keeper, version)
  content.neighbours.push(...neighbours)
  if (standing !== 'first-run')
    setUp(content, { title: 'A site', description: '', language, timezone: 'UTC', examples })
  if (standing === 'in-use') inUse(content)
  const site = standInSite({
    base,
    version,
    largestFile: 8 * 1024 * 1024,
    before(request, reply) {
      const place = request.url.split('?')[0] ?? ''
      const open = ['setup', 'enter', 'leave'].some((room) => place === `${base}${room}`)
      return content.standing === 'first-run' && !open ? reply.redirect(`${base}setup`, 302) : undefined
    },
    routes: (app, sessions) => {
      firstRunForm(app, content, sessions, base)
      wholeServer(app, content, sessions, base)
      dashboard(app, content, sessions, base)
      publicPages(app, content, sessions, base)
    },
  })
  return Object.assign(site, { content })
}
