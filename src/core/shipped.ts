/** What an adapter observes of an item that may have come with the system. Core judges. */
export interface Marks {
  /** It stands where the system puts what it ships: its number, its first account, its links. */
  place: boolean
  /** Nobody has edited it, and it was made within seconds of the site. */
  untouched: boolean
  /** Its text is one that the system is known to ship. */
  known: boolean
  /**
   * The system, or the account that was there then, made it in the first minutes of the site, and nobody has changed it since; or the
   * system makes it by itself. A host's work can't be told from the system's.
   */
  early?: boolean
  /** A visitor can't see it (a draft, say). */
  hidden?: boolean
  /** The system can't be without it: it can be taken over, not removed. */
  needed?: boolean
}

/** Where an item comes from, as core judges it from its marks. */
export type Origin = 'shipped' | 'came in the first minutes' | 'shipped, edited' | "somebody's"

/** The story of an item that came in the first minutes, after its name. */
export const CAME_EARLY = "came in the site's first minutes, with the system or from your host"

/**
 * Where an item comes from. Never judged by a title: place, an untouched state and a known text must all speak for it.
 * @param marks what the adapter observed; none means that nothing of this kind ships
 * @example originOf({ place: true, untouched: true, known: true }) // 'shipped'
 */
export function originOf(marks: Marks | undefined): Origin {
  if (marks?.place && !marks.untouched) return 'shipped, edited'
  if (marks?.place && marks.known) return 'shipped'
  return marks?.place || marks?.early ? 'came in the first minutes' : "somebody's"
}
