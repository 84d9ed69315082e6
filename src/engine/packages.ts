import { onSystem } from '../systems/abilities.js'
import { areaNames, areaOf, type AreaName } from '../core/areas/index.js'
import { openArchive, type OpenArchive } from '../archives/open.js'
import { packFolder } from '../archives/pack.js'
import type { Baseline } from '../core/baseline/schema.js'
import type { Remark } from '../core/compare.js'
import { UnpackError } from '../core/errors.js'
import type { Package, Packages } from '../core/package.js'
import type { ArchiveFile, PackageFacts } from '../systems/package-facts.js'
import type { System } from '../systems/system.js'

interface Candidate {
  facts: PackageFacts
  archive: OpenArchive
}

/** Looks into the archives that a baseline names, and finds in them what it wants. */
export async function packagesIn(baseline: Baseline, system: System): Promise<{ packages: Packages; notes: Remark[] }> {
  const packages: Partial<Record<AreaName, Record<string, Package>>> = {}
  const notes: Remark[] = []
  const wanted = areaNames.flatMap((area) => (areaOf(area).packages?.(baseline) ?? []).map((one) => ({ area, ...one })))
  for (const { area, use, from, withParent } of wanted) {
    const bytes = baseline.archives[from]
    const facts = onSystem(system, area)?.packages
    if (!bytes || !facts) continue
    const candidates = await candidatesIn(from, bytes, facts)
    const here = (packages[area] ??= {})
    const take = async (name: string): Promise<Package | undefined> => {
      const found = candidates.find(({ facts }) => facts.use === name) ?? loneOpen(candidates, name)
      if (!found) return undefined
      const own = await packageOf(found, name)
      here[name] = own
      if (found.archive.place !== from || found.facts.folder.includes('/') || candidates.length > 1)
        notes.push({ ref: `${area}/${name}`, text: `${name} was found in ${own.place}${beside(candidates, found)}` })
      return own
    }
    const own = await take(use)
    if (!own)
      throw UnpackError.of('package-not-found', {
        file: from,
        use,
        holds: candidates.map(({ facts }) => facts.use || facts.name),
      })
    if (withParent && own.parent !== undefined) await take(own.parent)
    if (own.wants.length > 0)
      notes.push({ ref: `${area}/${use}`, text: `${use} wants with it: ${own.wants.join(', ')}` })
  }
  return { packages, notes }
}

/** One that lies open in its archive has no folder to be known by: where it is alone, it is the one that is meant. */
const loneOpen = (candidates: readonly Candidate[], use: string): Candidate | undefined => {
  const open = candidates.filter(({ facts }) => facts.folder === '')
  return open.length === 1 && open[0] ? { ...open[0], facts: { ...open[0].facts, use } } : undefined
}

const beside = (candidates: readonly Candidate[], { facts }: Candidate): string => {
  const others = candidates.filter((one) => one.facts.use !== facts.use).map((one) => one.facts.use)
  return others.length === 0 ? '' : `; beside it: ${others.join(', ')}`
}

async function candidatesIn(
  file: string,
  bytes: Uint8Array,
  factsIn: (files: readonly ArchiveFile[]) => Promise<PackageFacts[]>,
): Promise<Candidate[]> {
  const found: Candidate[] = []
  for (const archive of await openArchive(file, bytes)) {
    const files = archive.files.map(({ path, bytes: read }) => ({
      path,
      text: async () => new TextDecoder().decode(await read()),
    }))
    for (const facts of await factsIn(files)) found.push({ facts, archive })
  }
  return found
}

/** What goes to the site: the archive as it is where it holds nothing else, a new one of the folder alone where it does. */
async function packageOf({ facts, archive }: Candidate, use: string): Promise<Package> {
  const { folder, ...rest } = facts
  const alone = folder === use && archive.files.every(({ path }) => path.startsWith(`${folder}/`))
  return {
    ...rest,
    use,
    bytes: alone ? archive.whole : await packFolder(archive.files, folder, use),
    place: folder === '' || folder === use ? archive.place : `${archive.place}: ${folder}/`,
  }
}
