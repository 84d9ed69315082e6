import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { zipOf } from './zip.js'

/** An add-on or a theme out of one of Debian's packages, as a zip. */
export async function debianZip(debianPackage: string, kind: 'plugins' | 'themes', name: string): Promise<Uint8Array> {
  const folder = mkdtempSync(join(tmpdir(), 'unpack-debian-'))
  try {
    execFileSync('apt-get', ['-q', 'download', debianPackage], { cwd: folder, stdio: 'ignore' })
    const deb = readdirSync(folder).find((file) => file.endsWith('.deb')) ?? ''
    execFileSync('dpkg-deb', ['-x', join(folder, deb), join(folder, 'x')])
    const all = join(folder, 'x/usr/share/wordpress/wp-content', kind)
    const files = (at: string): string[] =>
      statSync(at).isDirectory() ? readdirSync(at).flatMap((one) => files(join(at, one))) : [at]
    return await zipOf(
      Object.fromEntries(files(join(all, name)).map((file) => [relative(all, file), readFileSync(file)])),
    )
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
