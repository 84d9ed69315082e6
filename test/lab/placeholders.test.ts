import assert from 'node:assert/strict'
import { execFileSync, spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { after, test } from 'node:test'
import { survey } from 'unpack'
import { folder } from '../help/folders.js'
import { freePort } from '../help/port.js'
import { serve } from '../help/pages.js'

const root = folder()

/** A file out of a Debian package that is fetched and unpacked, not installed. */
function fromPackage(name: string, path: string): string {
  execFileSync('apt-get', ['-q', 'download', name], { cwd: root, stdio: 'ignore' })
  execFileSync('sh', ['-c', `dpkg-deb -x ${name}_*.deb x`], { cwd: root })
  return readFileSync(join(root, 'x', path), 'utf8')
}
const nginxPage = fromPackage('nginx-common', 'usr/share/nginx/html/index.html')
const apachePage = fromPackage('apache2-data', 'usr/share/apache2/default-site/index.html')

/** Every word of a page's text in capitals or another tongue: the structure stays. */
const translated = (html: string): string =>
  html.replace(
    />([^<]+)</g,
    (_, text: string) =>
      `>${text.replace(/[A-Za-z]{3,}(?![\w/.]*\/)/g, (word) => (word.length > 5 ? 'Gezeitenbecken' : 'Möwe'))}<`,
  )

for (const [name, page] of [
  ['nginx', nginxPage],
  ['apache2', apachePage],
] as const) {
  for (const [how, html] of Object.entries({
    'as it ships': page,
    translated: translated(page),
    'with a title and a heading of the host’s own': page
      .replace(/<title>[\s\S]*?<\/title>/, '<title>Harbour Hosting</title>')
      .replace(/<h1>[\s\S]*?<\/h1>/, '<h1>Harbour Hosting</h1>'),
    'without its styles': page.replace(/<style[\s\S]*?<\/style>/, ''),
  })) {
    test(`the page of ${name}, ${how}`, async () => {
      const { address } = await serve({
        '/': html,
        '/icons/openlogo-75.png': { headers: { 'content-type': 'image/png' }, body: 'x' },
      })
      const { standing, reasons } = await survey(address)
      assert.equal(standing, 'placeholder', reasons.join('; '))
    })
  }
}

test('no sentence of a test page stands in the sources', () => {
  const sources = execFileSync('sh', ['-c', 'cat $(find src -name "*.ts")'], {
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  }).toLowerCase()
  const phrases = [nginxPage, apachePage]
    .flatMap((page) =>
      page
        .replace(/<style[\s\S]*?<\/style>|<[^>]+>/g, ' ')
        .toLowerCase()
        .split(/[.!?\n]/)
        .map((line) => line.trim().replace(/\s+/g, ' ')),
    )
    .filter((line) => line.split(' ').length >= 3)
  assert.ok(phrases.length > 20)
  for (const phrase of phrases) assert.ok(!sources.includes(phrase), phrase)
})

test('a real nginx: an empty listing, one with files, a page that is not there, a password, nothing at all', async () => {
  const port = await freePort()
  const www = join(root, 'www')
  for (const name of ['empty', 'files', 'closed', 'bare']) mkdirSync(join(www, name), { recursive: true })
  writeFileSync(join(www, 'files', 'holiday photos.jpg'), 'x')
  writeFileSync(join(root, 'htpasswd'), 'odo:{PLAIN}x\n')
  writeFileSync(
    join(root, 'nginx.conf'),
    `user root; worker_processes 1; daemon off; pid ${root}/nginx.pid; error_log ${root}/error.log;
events {} http { access_log off; client_body_temp_path ${root}/t1; proxy_temp_path ${root}/t2; fastcgi_temp_path ${root}/t3; uwsgi_temp_path ${root}/t4; scgi_temp_path ${root}/t5;
types { text/html html; } server { listen 127.0.0.1:${port}; root ${www};
location /empty/ { autoindex on; } location /files/ { autoindex on; } location /bare/ { } location /closed/ { auth_basic "x"; auth_basic_user_file ${root}/htpasswd; } } }`,
  )
  const nginx = spawn('nginx', ['-c', join(root, 'nginx.conf'), '-e', join(root, 'error.log')], { stdio: 'ignore' })
  after(() => nginx.kill())
  const at = async (place: string) => {
    const { standing, reasons } = await survey(`http://127.0.0.1:${port}${place}`)
    return [standing, reasons[0]]
  }
  for (let tries = 0; tries < 50 && (await at('/empty/'))[0] === 'nothing'; tries += 1)
    await new Promise((resolve) => setTimeout(resolve, 100))
  assert.deepEqual(await at('/empty/'), ['blank', 'the list of an empty folder'])
  assert.deepEqual(await at('/files/'), ['unknown', 'the list of a folder: holiday photos.jpg'])
  assert.equal((await at('/bare/'))[0], 'unknown')
  assert.equal((await at('/nowhere/'))[0], 'unknown')
  assert.deepEqual(await at('/closed/'), [
    'unknown',
    'a password stands in front of it (HTTP 401); Unpack uses it when it is stored: unpack logins add --door',
  ])
  rmSync(www, { recursive: true })
})
