/** Where it is remembered under which rule an item was made. */
export const madeUnder = (ref: string): string => `${ref}#made under`
