import { execFileSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { load } from 'cheerio'
import { digest } from '../src/core/text/digest.js'
import { strippedText } from '../src/core/text/plain.js'
import { freePort } from '../test/help/port.js'
import { root } from '../test/help/root.js'

/*
 * `node dist/scripts/wordpress-shipped.js [VERSION …]`: what WordPress ships, measured in the lab. Each version is set up by its own
 * first-run form, once in every language that Debian packages. Writes src/systems/wordpress/shipped-data.ts.
 */

/** Rows of words and digests of texts, as they were met first: a later version that ships the same adds nothing. */
interface Shipped {
  rows: Map<string, readonly string[]>
  texts: Record<'post' | 'page' | 'draft' | 'comment', Set<string>>
}

/** @param all what is known by now; what this version ships beside that is added */
async function measure(version: string, all: Shipped): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'unpack-shipped-'))
  const lab = (name: string, ...args: string[]) =>
    execFileSync(join(root, 'lab/wordpress', name), [folder, ...args], {
      encoding: 'utf8',
      env: { ...process.env, WORDPRESS: version },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
  const [, address = ''] = /^ready (\S+)/m.exec(lab('up', String(await freePort()))) ?? []
  const sql = (text: string): string[][] =>
    execFileSync(
      'mariadb',
      ['--no-defaults', '-uroot', '-S', join(folder, 'run/db.sock'), '--raw', '-N', '-B', 'blog', '-e', text],
      {
        encoding: 'utf8',
      },
    )
      .split('\u0002\n')
      .filter((line) => line.trim() !== '')
      .map((line) => line.split('\u0001'))
  try {
    const packaged = readdirSync(join(folder, 'www/wp-content/languages')).flatMap(
      (file) => /^([a-z]{2,3}(?:_\w+)?)\.mo$/.exec(file)?.slice(1) ?? [],
    )
    const locales = ['en_US', ...packaged]
    for (const locale of locales) {
      execFileSync('mariadb', [
        '--no-defaults',
        '-uroot',
        '-S',
        join(folder, 'run/db.sock'),
        '-e',
        'drop database blog; create database blog character set utf8mb4',
      ])
      const language = locale === 'en_US' ? '' : locale
      const given = {
        weblog_title: 'T',
        user_name: 'lab',
        admin_email: 'lab@quay.example',
        admin_password: 'harbour-light-41',
        admin_password2: 'harbour-light-41',
        pw_weak: 'on',
        language,
        Submit: '1',
      }
      const answer = await fetch(`${address}wp-admin/install.php?step=2`, {
        method: 'POST',
        body: new URLSearchParams(given),
      })
      if (load(await answer.text())('.install-success').length === 0)
        throw new Error(`${version}, ${locale}: the form was refused`)
      take(locale, address, sql, all)
      process.stderr.write(`${version} ${locale}: ${all.rows.size} rows\n`)
    }
  } finally {
    lab('down')
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Adds what one installation holds. */
function take(locale: string, address: string, sql: (text: string) => string[][], { rows, texts }: Shipped): void {
  const line = (...columns: string[]) => `select concat_ws('\u0001', ${columns.join(', ')}, '\u0002')`
  const entries = sql(
    `${line('post_title', 'post_name', 'post_content')} from wp_posts where ID in (1, 2, 3) order by ID`,
  )
  const [[by = '', text = ''] = []] = sql(
    `${line('comment_author', 'comment_content')} from wp_comments where comment_ID = 1`,
  )
  const [[name = '', slug = ''] = []] = sql(`${line('name', 'slug')} from wp_terms where term_id = 1`)
  const row = [locale, ...entries.flatMap(([title = '', place = '']) => [title, place]), name, slug, by]
  rows.set(JSON.stringify(row), row)
  const site = address.replace(/\/$/, '')
  const known = (kind: keyof Shipped['texts'], html: string) => {
    texts[kind].add(digest(strippedText(kind === 'draft' ? html.replaceAll(site, '{site}') : html)))
  }
  for (const [index, kind] of (['post', 'page', 'draft'] as const).entries()) known(kind, entries[index]?.[2] ?? '')
  known('comment', text)
}

const none = () => ({
  post: new Set<string>(),
  page: new Set<string>(),
  draft: new Set<string>(),
  comment: new Set<string>(),
})
const all: Shipped = { rows: new Map(), texts: none() }
const given = process.argv.slice(2)
const versions = given.length > 0 ? given : ['7.1', '6.8', '6.1']
for (const version of versions) await measure(version, all)
const quoted = (set: ReadonlySet<string>) =>
  `[${[...set]
    .sort()
    .map((one) => JSON.stringify(one))
    .join(', ')}]`
const byKind = (sets: Shipped['texts']) =>
  Object.entries(sets)
    .map(([kind, set]) => `  ${kind}: new Set<string>(${quoted(set)}),`)
    .join('\n')
const file = join(root, 'src/systems/wordpress/shipped-data.ts')
writeFileSync(
  file,
  `/*
 * What WordPress ${versions.join(', ')} ship (Debian's packages, with their translations), made by scripts/wordpress-shipped.ts.
 * Digests are SHA-256 of the text with tags stripped, entities decoded, white space folded; in the third page the site's own
 * address (no slash at the end) is {site}.
 */
export type Row = readonly [locale: string, postTitle: string, postSlug: string, pageTitle: string, pageSlug: string, draftTitle: string, draftSlug: string, categoryName: string, categorySlug: string, commentBy: string]

export const rows: readonly Row[] = [
${[...all.rows.values()].map((row) => `  [${row.map((one) => JSON.stringify(one)).join(', ')}],`).join('\n')}
]

/** Digests of the shipped texts, in all languages. */
export const texts = {
${byKind(all.texts)}
}
`,
)
process.stdout.write(`${all.rows.size} rows, ${readFileSync(file).length} bytes\n`)
