import type { Package } from '../core/package.js'

/** A file in an archive. */
export interface ArchiveFile {
  path: string
  text(): Promise<string>
}
/** What an adapter says of a theme or add-on in an archive. */
export interface PackageFacts extends Omit<Package, 'bytes' | 'place'> {
  /** Its folder within the archive; '' where it lies open in it. */
  folder: string
}
