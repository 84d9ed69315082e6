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

/** What archives of the baseline hold, by area and by the names of their folders. */
export type Packages = Readonly<Partial<Record<string, Readonly<Record<string, Package>>>>>

/** A theme or add-on that a baseline wants out of an archive. */
export interface WantedPackage {
  use: string
  /** The archive's file. */
  from: string
  /** What it builds upon comes out of the same archive. */
  withParent?: true
}
