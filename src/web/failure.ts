import type { Failure } from '../core/findings.js'

/** Thrown where a request got no answer. */
export class NoAnswer extends Error {
  constructor(
    readonly url: string,
    readonly failure: Failure,
  ) {
    super(failure.text)
  }
}

const OWN_AUTHORITY = 'if it is your own, name its file in NODE_EXTRA_CA_CERTS'

const codes: Record<string, [Failure['kind'], string]> = {
  ENOTFOUND: ['name unknown', 'this name is not known to the name servers'],
  EAI_AGAIN: ['name unknown', 'this name could not be looked up'],
  ECONNREFUSED: ['refused', 'nothing listens at this address and port'],
  EHOSTUNREACH: ['refused', 'the way to this address is closed'],
  ENETUNREACH: ['refused', 'the way to this address is closed'],
  ETIMEDOUT: ['no time', 'no answer in time'],
  UND_ERR_CONNECT_TIMEOUT: ['no time', 'no answer in time'],
  UND_ERR_HEADERS_TIMEOUT: ['no time', 'no answer in time'],
  UND_ERR_BODY_TIMEOUT: ['no time', 'the answer stopped half-way'],
  CERT_HAS_EXPIRED: ['secure connection', 'its certificate has expired'],
  DEPTH_ZERO_SELF_SIGNED_CERT: ['secure connection', `its certificate is signed by nobody else; ${OWN_AUTHORITY}`],
  SELF_SIGNED_CERT_IN_CHAIN: [
    'secure connection',
    `its certificate comes from an authority this machine does not know; ${OWN_AUTHORITY}`,
  ],
  UNABLE_TO_VERIFY_LEAF_SIGNATURE: [
    'secure connection',
    `its certificate comes from an authority this machine does not know; ${OWN_AUTHORITY}`,
  ],
  ERR_TLS_CERT_ALTNAME_INVALID: ['secure connection', 'its certificate is for another name'],
}

/** Says in an owner's words why a connection failed. */
export function failureOf(error: unknown): Failure {
  for (let at: unknown = error, depth = 0; at instanceof Error && depth < 5; at = at.cause, depth += 1) {
    const code = (at as { code?: unknown }).code
    const inner: unknown = at instanceof AggregateError ? at.errors[0] : undefined
    if (inner !== undefined) return failureOf(inner)
    if (typeof code !== 'string') continue
    const known = codes[code]
    if (known) return { kind: known[0], text: known[1] }
    if (/SSL|TLS|CERT/.test(code)) return { kind: 'secure connection', text: 'no secure connection can be made there' }
  }
  return { kind: 'broken off', text: 'the connection was broken off' }
}
