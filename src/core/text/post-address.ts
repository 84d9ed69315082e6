/** What a post's address may be made of. */
export const addressParts = ['slug', 'category', 'year', 'month', 'day', 'id', 'author'] as const
/** A part of a post's address that is filled in for each post. */
export type AddressPart = (typeof addressParts)[number]

/**
 * Takes a post address apart: a URI Template of level 1.
 * @returns literals and parts in their order, or `undefined` where it is none, names another part, or no post by itself
 * @see https://www.rfc-editor.org/rfc/rfc6570#section-3.2.2
 * @example postAddressParts('/{year}/{slug}/') // ['/', { part: 'year' }, '/', { part: 'slug' }, '/']
 */
export function postAddressParts(template: string): (string | { part: AddressPart })[] | undefined {
  const pieces = template.split(/(\{[^{}]*\})/).filter((piece) => piece !== '')
  const parts = pieces.map((piece) => {
    const name = /^\{(.+)\}$/.exec(piece)?.[1]
    const part = addressParts.find((one) => one === name)
    return name === undefined ? (/[{}]/.test(piece) ? undefined : piece) : part && { part }
  })
  const whole = parts.every((part) => part !== undefined) ? parts : undefined
  const tells = (part: AddressPart) => whole?.some((one) => typeof one === 'object' && one.part === part)
  return template.startsWith('/') && (tells('slug') || tells('id')) ? whole : undefined
}
