import type { Answer } from './answer.js'

/**
 * What a request is for: log-ins and log-outs are counted apart from what could change the site. A POST that only asks says
 * that it is to read.
 */
export type Purpose = 'read' | 'write' | 'log-in'

/** Fields of a form, in their order where that matters. */
export type FormFields = Readonly<Record<string, string>> | readonly (readonly [name: string, value: string])[]

/** How something is asked for: the form, document or file that is sent along, and what it is for. */
export interface Ask {
  method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'
  /** A form's fields, as pairs where a name stands several times; or a JSON document. */
  form?: FormFields
  json?: unknown
  /** A form with files in it, sent as multipart: one under a name, or several. */
  parts?: Readonly<Record<string, string | FilePart | readonly FilePart[]>>
  /** A file as the whole body. */
  file?: FilePart
  headers?: Readonly<Record<string, string>>
  /** Whether redirects are followed; a form's answer usually is looked at as it is. */
  follow?: boolean
  purpose?: Purpose
  /** Milliseconds within which the whole answer has to be there. */
  most?: number
  /** Which answers tell what was asked for, although they say that the server failed (5xx): those are not asked for once more. */
  tells?: (answer: Answer) => boolean
  /** Takes a file's bytes as they come; the answer's text is empty then. */
  into?: (part: Uint8Array) => Promise<void>
}

/** A file that is sent. */
export interface FilePart {
  name: string
  type: string
  bytes: Uint8Array
}
