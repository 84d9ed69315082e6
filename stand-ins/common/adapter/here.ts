import { isThisMachine, parseAddress } from 'unpack'

/** Whether a page came from this very machine: stand-ins are nowhere else. */
export function isHere(url: string): boolean {
  const { origin } = new URL(url)
  const address = parseAddress(origin)
  return address !== null && isThisMachine(address)
}
