/**
 * Makes the demos' zips and pictures from their sources. The same sources always make the same zips.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ZipFile } from 'yazl'
import { launchBrowser } from '../test/help/browser.js'
import { root } from '../test/help/root.js'

const folder = join(root, 'demo/repair-cafe')
const museum = join(root, 'demo/old-ropewalk-museum')
const options = { mtime: new Date('2026-01-01T00:00:00Z'), mode: 0o100644 }

async function zipped(files: Readonly<Record<string, Buffer>>): Promise<Buffer> {
  const zip = new ZipFile()
  for (const [name, bytes] of Object.entries(files)) zip.addBuffer(bytes, name, options)
  zip.end()
  const parts: Buffer[] = []
  for await (const part of zip.outputStream) parts.push(part as Buffer)
  return Buffer.concat(parts)
}

const sourcesOf = (name: string, from = folder): Record<string, Buffer> =>
  Object.fromEntries(
    readdirSync(join(from, 'sources', name))
      .sort()
      .map((file) => [`${name}/${file}`, readFileSync(join(from, 'sources', name, file))]),
  )

const theme = await zipped(sourcesOf('lantern'))
const readMe = Buffer.from('Lantern, a theme for small places. The archive for your site is theme/lantern.zip.\n')
// as bundles come: documentation beside it, and the archive that the site wants deeper inside
writeFileSync(
  join(folder, 'files/lantern-theme.zip'),
  await zipped({ 'Lantern bundle/Read me first.txt': readMe, 'Lantern bundle/theme/lantern.zip': theme }),
)
writeFileSync(join(folder, 'files/contact-card.zip'), await zipped(sourcesOf('contact-card')))

writeFileSync(join(museum, 'files/ropewalk-theme.zip'), await zipped(sourcesOf('ropewalk', museum)))

const browser = await launchBrowser()
for (const [world, name, width, height] of [
  ['repair-cafe', 'lantern', 256, 256],
  ['repair-cafe', 'long-table', 960, 420],
  ['old-ropewalk-museum', 'rope', 512, 512],
  ['old-ropewalk-museum', 'ropewalk-logo', 420, 96],
  ['old-ropewalk-museum', 'long-shed', 960, 420],
  ['saltmarsh-seed-library', 'seed-logo', 420, 96],
  ['saltmarsh-seed-library', 'seed-packet', 512, 512],
  ['saltmarsh-seed-library', 'harbour-light', 640, 480],
  ['saltmarsh-seed-library', 'sea-thrift', 640, 480],
  ['saltmarsh-seed-library', 'sea-kale', 640, 480],
  ['saltmarsh-seed-library', 'dibber', 640, 480],
] as const) {
  const from = join(root, 'demo', world)
  const page = await browser.newPage({ viewport: { width, height } })
  const svg = readFileSync(join(from, `sources/pictures/${name}.svg`), 'utf8')
  await page.setContent(`<style>body{margin:0}svg{display:block;width:${width}px;height:${height}px}</style>${svg}`)
  await page.screenshot({ path: join(from, `files/${name}.png`), omitBackground: true })
  await page.close()
}
await browser.close()
