import type { Origin } from './shipped.js'

/** What the structure of a page tells, whatever language it is written in. */
export interface PageFacts {
  status: number
  /** True if the answer is HTML, or something a browser would show as a page. */
  isPage: boolean
  /** Letters a reader sees; letters of scripts that need no spaces count threefold. */
  weight: number
  /** The weight of sentences: blocks of text that are no links, buttons or headings. */
  prose: number
  /** Letters and digits in those sentences, each counted once. */
  letters: number
  /** Pictures of the page's own host. */
  pictures: number
  /** Addresses of other pages on the same site, without query. */
  links: string[]
  /** Hosts other than its own that its links lead to. */
  elsewhere: string[]
  /** Scripts, frames, drawings and pictures of other hosts: what it shows beside its own text and pictures. */
  embeds: number
  /** True if its title or a heading names its own host. */
  namesItself: boolean
  /** How often the text names a file on the server's own disk. */
  diskPaths: number
  /** True if it asks for a password. */
  asksPassword: boolean
  /** Set if the page is a list of the files in a folder. */
  listing?: { files: string[] }
}

/** Why there was no answer. */
export interface Failure {
  kind: 'name unknown' | 'refused' | 'no time' | 'secure connection' | 'broken off' | 'not to be read'
  text: string
}

/** A system as an adapter recognised it, from outside. */
export interface Recognised {
  /** The system’s id, a name that never changes. */
  id: string
  /** What an owner calls it. */
  name: string
  /** Its version, or '' if it doesn't tell. */
  version: string
  /**
   * Whether Unpack is tested with a version of this line (the first number). Left out if only people who sign in can see the version.
   */
  proven?: boolean
  /** The versions that Unpack was tested with, if this is none of them: those of its line, or all. */
  tried?: string
  /** `first-run`: waits for its first-run form; `set up`: has an owner; `broken`: there, and not able to work. */
  state: 'first-run' | 'set up' | 'broken'
  /** The site's address as the system itself gives it. */
  address: string
  /** What a visitor can see of its items; for `set up`, and left out where it won't show them. */
  seen?: { ref: string; origin: Origin }[]
  /** For `broken`: what it looks like. */
  trouble?: string
}

/** What the survey saw. */
export interface Findings {
  /** The address that was asked for. */
  asked: string
  /** Where that led, or the same. */
  address: string
  hops: { from: string; to: string; status: number }[]
  failure?: Failure
  front?: PageFacts
  /** Pages of the site that the front page links to and that were looked at. */
  inner: { url: string; status: number; weight: number }[]
  /** The address with other scheme, with and without www. */
  variants: { address: string; says: string; leadsTo?: string }[]
  system?: Recognised
}

/** What stands at an address. */
export type Standing = 'nothing' | 'blank' | 'placeholder' | 'first-run' | 'fresh' | 'in-use' | 'unknown'

/** The survey's verdict. */
export interface Verdict {
  standing: Standing
  /** Whether settling may go on; settle judges again after signing in. */
  safe: boolean
  /** Why, a reason a line. */
  reasons: string[]
}
