import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, relative } from 'node:path'
import { zipOf } from './zip.js'

/** An add-on out of one of Debian's packages, as a zip. */
export async function debianAddOn(debianPackage: string, name: string): Promise<Uint8Array> {
  const folder = mkdtempSync(join(tmpdir(), 'unpack-debian-'))
  try {
    execFileSync('apt-get', ['-q', 'download', debianPackage], { cwd: folder, stdio: 'ignore' })
    const deb = readdirSync(folder).find((file) => file.endsWith('.deb')) ?? ''
    execFileSync('dpkg-deb', ['-x', join(folder, deb), join(folder, 'x')])
    const plugins = join(folder, 'x/usr/share/wordpress/wp-content/plugins')
    const files = (at: string): string[] =>
      statSync(at).isDirectory() ? readdirSync(at).flatMap((one) => files(join(at, one))) : [at]
    return await zipOf(
      Object.fromEntries(files(join(plugins, name)).map((file) => [relative(plugins, file), readFileSync(file)])),
    )
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
