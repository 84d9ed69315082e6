/** The version that the adapters of stand-ins are tested with. */
export const VERSION = '1.0'

/** A page in which a stand-in calls itself by another version. */
export const inVersion = (html: string, version: string): string =>
  html.replace(/(content="Stand-in [a-z ]+ )1\.0"/, (_all, name: string) => `${name}${version}"`)
