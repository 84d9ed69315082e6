/** A theme or add-on in an archive, as an adapter knows it. */
export interface Package {
  /** The name of its folder: what the baseline calls it by. */
  use: string
  /** What it calls itself. */
  name: string
  version: string
  /** The theme it builds upon. */
  parent?: string
  /** Add-ons it wants beside it. */
  wants: readonly string[]
  /** Whether its pages are made of blocks; for themes. */
  blocks?: boolean
  /** The archive to send to the site. */
  bytes: Uint8Array
  /** Where it was found, as `bundle.zip: theme/lantern.zip`. */
  place: string
}

/** What archives of the baseline hold, by the names of their folders. */
export interface Packages {
  theme: Readonly<Record<string, Package>>
  addOns: Readonly<Record<string, Package>>
}
