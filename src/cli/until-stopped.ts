/** Waits for Ctrl-C, or for being told to end. */
export const untilStopped = (): Promise<void> =>
  new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => resolve())
  })
