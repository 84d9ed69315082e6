/** How many there are, in words: `3 checks`, `1 check`. */
export const count = (number: number, one: string, many = `${one}s`): string => `${number} ${number === 1 ? one : many}`
