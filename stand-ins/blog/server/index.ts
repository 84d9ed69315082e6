import { standInSite, type StandInSite } from '../../common/server/site.js'
import { dashboard } from './dashboard/index.js'
import { firstRunForm } from './first-run.js'
import { front } from './front.js'
import { VERSION } from '../../common/server/version.js'
import { emptyBlog, type Blog } from './model.js'
import { publicPages } from './public/index.js'
import { inUse, setUp } from './ships.js'

/** What a stand-in blog is like when it starts. */
export interface StandInOptions {
  standing: 'placeholder' | 'first-run' | 'fresh' | 'in-use'
  /** The folder it lives in, with a slash at both ends. */
  base?: string
  /** The owner of one that is set up already. */
  owner?: { username: string; password: string }
  /** A password in front of everything (HTTP Basic). */
  door?: { username: string; password: string }
  /** The port of the mail server that it sends through; without one, it never asks by mail. */
  mail?: number
  /** The largest file it takes, in bytes. */
  largestFile?: number
  /** Its version. Any other than 1.0 ships a text and a page that no adapter knows. */
  version?: string
}

/** A stand-in blog that is running, with everything in reach that a test may want to change behind its back. */
export interface StandInBlog extends StandInSite {
  blog: Blog
  /** Takes the host's page away, so that the first-run form appears. */
  install(): void
}

/**
 * Makes a stand-in blog: HTML only, in memory only, like real ones in how it is driven.
 * @example const blog = standInBlog({ standing: 'first-run' }); await blog.listen(4101)
 */
export function standInBlog({
  standing,
  base = '/',
  owner = { username: 'boss', password: 'harbour-light-41' },
  door,
  mail,
  largestFile = 8 * 1024 * 1024,
  version = VERSION,
}: StandInOptions): StandInBlog {
  const blog = emptyBlog(standing === 'placeholder' || standing === 'first-run' ? standing : 'set up', version)
  if (standing === 'fresh' || standing === 'in-use') {
    setUp(blog, { ...owner, email: 'boss@harbour.example', title: 'My blog', language: 'en', searchEngines: true })
    if (standing === 'in-use') inUse(blog)
  }
  const site = standInSite({
    base,
    version,
    largestFile,
    before: (request, reply) => front(request, reply, blog, base, door),
    routes: (app, sessions) => {
      firstRunForm(app, blog, base)
      dashboard(app, blog, sessions, base, mail)
      publicPages(app, blog, base)
    },
  })
  return Object.assign(site, { blog, install: () => (blog.standing = 'first-run') })
}
