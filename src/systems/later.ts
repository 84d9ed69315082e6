import type { Id } from '../core/area.js'

/* What stands in a step's fields for a value that is known only when the step is sent. */

/** Stands for the id that a ref has, or will have, on the site. */
export class IdOf {
  readonly is = 'id'
  constructor(readonly ref: string) {}
}
/** Stands for the address where visitors find what a ref means. */
export class AddressOf {
  readonly is = 'address'
  constructor(readonly ref: string) {}
}
/** Stands for a body in which uploads go by `unpack:` and their ref; see {@link bodyOf}. */
export class TextOf {
  readonly is = 'text'
  constructor(
    readonly text: string,
    readonly refs: readonly string[],
  ) {}
}
/** Stands for a secret from the logins file: of `owner`, for the whole `server`, or of a member by their ref. */
export class SecretOf {
  readonly is = 'secret'
  constructor(readonly ref: string) {}
}

/**
 * The id that a ref has, or will have.
 * @example idOf('categories/repairs') // the number of that category, once it is made
 */
export const idOf = (ref: string): IdOf => new IdOf(ref)
/**
 * Where visitors find what a ref means.
 * @example addressOf('pages/visit')
 */
export const addressOf = (ref: string): AddressOf => new AddressOf(ref)
/**
 * A password of the logins file.
 * @example secretOf('owner')
 */
export const secretOf = (ref: string): SecretOf => new SecretOf(ref)
/**
 * A body as a step's field: the pictures it shows get their addresses before it is sent.
 * @example Step.of(content, { text: bodyOf('<p>The tide is out.</p>') }, { proves: [difference] })
 */
export const bodyOf = (html: string): TextOf =>
  new TextOf(html, [...new Set([...html.matchAll(/unpack:(media\/[^"]+)"/g)].flatMap(([, ref]) => ref ?? []))])

/** A step's fields as its carrier gets them: ids and secrets filled in. */
export type Resolved<F> = F extends IdOf
  ? Id
  : F extends SecretOf | AddressOf | TextOf
    ? string
    : F extends Uint8Array
      ? F
      : F extends readonly (infer E)[]
        ? Resolved<E>[]
        : F extends object
          ? { [K in keyof F]: Resolved<F[K]> }
          : F
