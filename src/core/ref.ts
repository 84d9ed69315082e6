/** The name of an item in core's words: `pages/visit`, or the area's name alone where an area has one item (`site`). */
export type Ref<N extends string = string> = N | `${N}/${string}`

/**
 * Builds a ref, for example `refOf('pages', 'visit')` → `pages/visit`.
 * @example refOf('pages', 'visit') // 'pages/visit'
 */
export const refOf = <N extends string>(area: N, name: string): Ref<N> => `${area}/${name}`

/** The area in a ref: `areaIn('pages/visit')` → `pages`. */
export const areaIn = (ref: string): string => ref.split('/', 1)[0] ?? ''

/**
 * What stands behind the area in a ref: `nameIn('pages/visit')` → `visit`.
 * @example nameIn('pages/visit') // 'visit'
 */
export const nameIn = (ref: string): string => ref.slice(ref.indexOf('/') + 1)
