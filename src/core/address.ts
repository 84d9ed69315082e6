import { digest } from './text/digest.js'
/** A site's address: where its host answers, and the folder it lives in, kept apart. */
export interface SiteAddress {
  /** Scheme, host and port, without a slash at the end: `http://127.0.0.1:4101`. */
  readonly origin: string
  /** The site's base folder, with a slash at both ends: `/` or `/blog/`. */
  readonly base: string
}

/**
 * Reads a site's address.
 * @param text an absolute http or https address; a missing slash at the end is added
 * @returns the address, or `null` if it is none, or carries a user name, a query or a fragment
 * @example parseAddress('http://localhost:4103/blog') // { origin: 'http://localhost:4103', base: '/blog/' }
 */
export function parseAddress(text: string): SiteAddress | null {
  if (!/^https?:\/\//i.test(text) || !URL.canParse(text)) return null
  const url = new URL(text)
  if (url.username || url.password || url.search || url.hash || !url.hostname) return null
  return { origin: url.origin, base: url.pathname.endsWith('/') ? url.pathname : `${url.pathname}/` }
}

/**
 * An address as one text: `http://localhost:4103/blog/`.
 * @example addressText({ origin: 'http://localhost:4103', base: '/blog/' }) // 'http://localhost:4103/blog/'
 */
export const addressText = (address: SiteAddress): string => address.origin + address.base

/**
 * Joins a place on a site to the site's address. A place starting with `/` is counted from the base folder, since a
 * baseline's places mean the site, not its host; a whole address is taken as it is.
 * @example placeOn({ origin: 'http://localhost:4103', base: '/blog/' }, '/feed') // 'http://localhost:4103/blog/feed'
 */
export function placeOn(address: SiteAddress, place: string): string {
  if (/^https?:\/\//i.test(place)) return place
  return new URL(place.replace(/^\/+/, ''), addressText(address)).href
}

/** True if `url` lies on the site: same origin, at or below the base folder. */
export function isOn(address: SiteAddress, url: string): boolean {
  if (!URL.canParse(url)) return false
  const { origin, pathname } = new URL(url)
  return origin === address.origin && `${pathname}/`.startsWith(address.base)
}

/**
 * True if the host is this very machine, where plain http gives nothing away.
 * @example isThisMachine({ origin: 'http://127.0.0.1:4103', base: '/' }) // true
 */
export function isThisMachine(address: SiteAddress): boolean {
  const { hostname } = new URL(address.origin)
  return (
    hostname === 'localhost' ||
    hostname.endsWith('.localhost') ||
    /^127(?:\.\d{1,3}){3}$/.test(hostname) ||
    hostname === '[::1]'
  )
}

/** A name for files and folders: `http_127.0.0.1_4101_blog`. */
export const addressKey = (address: SiteAddress): string =>
  addressText(address)
    .replace(/^(https?):\/\//, '$1_')
    .replace(/\/$/, '')
    .replace(/[^A-Za-z0-9.-]+/g, '_')

/** This machine's usual names for itself mean the same site: they share what is remembered of it, and nothing else. */
const sameHost = (text: string): string =>
  text.replace(/^(https?:\/\/)(?:localhost|127\.0\.0\.1|\[::1\])(?=[:/])/, '$1localhost')

/** A name for a site's state: no two sites share one, whatever signs stand in their addresses. */
export const stateKey = (address: SiteAddress): string => {
  const text = sameHost(addressText(address))
  const own = parseAddress(text) ?? address
  return `${addressKey(own).slice(0, 100)}-${digest(text).slice(0, 12)}`
}

/** The part of an address that names a record's folder: `127.0.0.1_4101_blog`. */
export const recordKey = (address: SiteAddress): string => addressKey(address).replace(/^https?_/, '')
