import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { has } from '../src/web/forms.js'
import { shippedDigest } from '../src/systems/wordpress/marks.js'
import { freePort } from '../test/help/port.js'
import { root } from '../test/help/root.js'

/*
 * `node dist/scripts/wordpress-shipped.js [VERSION …]`: measures in the lab what WordPress ships, and writes
 * src/systems/wordpress/shipped-data.ts. Each version is set up by its own first-run form, once in every language that Debian packages.
 */

const kinds = ['post', 'page', 'draft', 'comment'] as const
/** Rows of words, and digests of texts by kind; each once, whichever version shipped it first. */
interface Shipped {
  rows: Set<string>
  texts: Record<(typeof kinds)[number], Set<string>>
}

/** Sets one version up in every language. @param all receives what it ships */
async function measure(version: string, all: Shipped): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'unpack-shipped-'))
  const env = { ...process.env, WORDPRESS: version }
  const lab = (name: string, ...more: string[]) =>
    execFileSync(join(root, 'lab/wordpress', name), [folder, ...more], {
      ...{ encoding: 'utf8', env, stdio: ['ignore', 'pipe', 'inherit'] },
    })
  const sql = (...args: string[]) =>
    execFileSync('mariadb', ['--no-defaults', '-uroot', '-S', join(folder, 'run/db.sock'), ...args], {
      encoding: 'utf8',
    })
  try {
    const [, address = ''] = /^ready (\S+)/m.exec(lab('up', String(await freePort()))) ?? []
    const packaged = readdirSync(join(folder, 'www/wp-content/languages')).flatMap(
      (file) => /^([a-z]{2,3}(?:_\w+)?)\.mo$/.exec(file)?.slice(1) ?? [],
    )
    for (const locale of ['en_US', ...packaged]) {
      sql('-e', 'drop database blog; create database blog character set utf8mb4')
      await fillForm(address, locale)
      take(locale, address, (text) => sql('--raw', '-N', '-B', 'blog', '-e', text), all)
      process.stderr.write(`${version} ${locale}: ${all.rows.size} rows\n`)
    }
  } finally {
    lab('down')
    rmSync(folder, { recursive: true, force: true })
  }
}

async function fillForm(address: string, locale: string): Promise<void> {
  const password = 'harbour-light-41'
  const body = new URLSearchParams({
    ...{ weblog_title: 'T', user_name: 'lab', admin_email: 'lab@quay.example', pw_weak: 'on', Submit: '1' },
    ...{ admin_password: password, admin_password2: password, language: locale === 'en_US' ? '' : locale },
  })
  const answer = await fetch(`${address}wp-admin/install.php?step=2`, { method: 'POST', body })
  if (!has(await answer.text(), '.install-success')) throw new Error(`${locale}: the form was refused`)
}

/** Adds what one installation contains. @param sql gives a line of JSON a row */
function take(locale: string, address: string, sql: (text: string) => string, { rows, texts }: Shipped): void {
  const found = (text: string) =>
    sql(text)
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as string[])
  const entries = found(
    'select json_array(post_title, post_name, post_content) from wp_posts where ID <= 3 order by ID',
  )
  const [comment = []] = found(
    'select json_array(comment_author, comment_content) from wp_comments where comment_ID = 1',
  )
  const [category = []] = found('select json_array(name, slug) from wp_terms where term_id = 1')
  rows.add(JSON.stringify([locale, ...entries.flatMap((entry) => entry.slice(0, 2)), ...category, comment[0]]))
  const bodies = [...entries.map((entry) => entry[2]), comment[1]]
  for (const [index, kind] of kinds.entries()) texts[kind].add(shippedDigest(bodies[index] ?? '', address))
}

const given = process.argv.slice(2)
const versions = given.length > 0 ? given : ['7.1', '6.8', '6.1']
const none = () => new Set<string>()
const all: Shipped = { rows: none(), texts: { post: none(), page: none(), draft: none(), comment: none() } }
for (const version of versions) await measure(version, all)
const digests = kinds.map(
  (kind) =>
    `  ${kind}: new Set([\n${[...all.texts[kind]]
      .sort()
      .map((one) => `    '${one}',\n`)
      .join('')}  ]),\n`,
)
writeFileSync(
  join(root, 'src/systems/wordpress/shipped-data.ts'),
  `/*
 * What WordPress ${versions.join(', ')} ship (Debian's packages, with their translations), made by scripts/wordpress-shipped.ts.
 * Digests are SHA-256 of the text with tags stripped, entities decoded, white space folded. The site's own address (no slash at
 * the end) is replaced by {site} first.
 */
export type Row = readonly [locale: string, postTitle: string, postSlug: string, pageTitle: string, pageSlug: string, draftTitle: string, draftSlug: string, categoryName: string, categorySlug: string, commentBy: string]

export const rows: readonly Row[] = [
${[...all.rows].map((row) => `  ${row},\n`).join('')}]

/** Digests of the shipped texts, in all languages. */
export const texts = {
${digests.join('')}}
`,
)
