/** Whether what shipped is to go, by the key of an area of which something may. */
export const removes = (shipped: string | Readonly<Record<string, unknown>>, key: string): boolean =>
  typeof shipped === 'string' ? shipped === 'remove' : shipped[key] === 'remove'
