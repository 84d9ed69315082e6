/** Aborted by Ctrl-C; a second one ends at once. */
export function interrupted(): AbortSignal {
  const controller = new AbortController()
  process.once('SIGINT', () => {
    controller.abort()
    process.once('SIGINT', () => process.exit(130))
  })
  return controller.signal
}
