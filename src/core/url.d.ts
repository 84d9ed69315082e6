/** The one thing core borrows from its surroundings: every browser and Node has it (WHATWG URL). */
declare class URL {
  constructor(url: string, base?: string | URL)
  static canParse(url: string, base?: string): boolean
  href: string
  protocol: string
  readonly origin: string
  host: string
  hostname: string
  port: string
  pathname: string
  search: string
  hash: string
  username: string
  password: string
}
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean })
  decode(input: Uint8Array): string
}
declare class TextEncoder {
  encode(input: string): Uint8Array
}
