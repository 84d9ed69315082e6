/** What no honest server or page comes near; each is told as such where it is reached. */
export const MOST = {
  /** Bytes of one answer. */
  bytes: 16 * 1024 * 1024,
  /** Redirects of one request. */
  hops: 6,
  /** Elements of one page, and how deep they may lie in each other. */
  elements: 60_000,
  depth: 256,
  /** Milliseconds for one whole answer: of what is read, and of what changes something. */
  reading: 60_000,
  writing: 300_000,
  /** Pages of one list. */
  pages: 1_000,
  /** Requests of one visitor that wait for answers side by side. */
  sideBySide: 6,
} as const
