/** What a server answered, after the redirects that were followed. */
export interface Answer {
  /** The address that answered. */
  url: string
  status: number
  /** By lower-case name; several of one name are joined with a comma. */
  headers: Readonly<Record<string, string>>
  text: string
  hops: readonly { from: string; to: string; status: number }[]
}

/**
 * The answer's JSON, as unknown; read it with a schema.
 * @example z.object({ id: z.number() }).safeParse(jsonOf(answer)).data?.id
 */
export function jsonOf(answer: Answer): unknown {
  try {
    return JSON.parse(answer.text) as unknown
  } catch {
    return undefined
  }
}
