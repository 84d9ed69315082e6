import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { extname, join } from 'node:path'
import { after, before, test } from 'node:test'
import { pathToFileURL } from 'node:url'
import { createRequire } from 'node:module'
import type { Browser, Page } from 'playwright-core'
import { build } from 'vite'
import { settle } from 'unpack'
import { launchBrowser } from '../help/browser.js'
import { smallBaseline } from '../help/demo.js'
import { folder } from '../help/folders.js'
import { root as project } from '../help/root.js'
import { runningStandIn } from '../help/sites.js'

const root = folder()
const example = join(project, 'examples/check-a-baseline')
const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
const types: Record<string, string> = { '.html': 'text/html', '.js': 'text/javascript', '.css': 'text/css' }
let browser: Browser
let server: Server
let site: string

before(async () => {
  const out = join(root, 'out')
  await build({
    configFile: join(example, 'vite.config.ts'),
    logLevel: 'error',
    build: { outDir: out, emptyOutDir: true },
  })
  server = createServer((request, response) => {
    const path = request.url === '/' ? '/index.html' : (request.url ?? '')
    try {
      const body = readFileSync(join(out, path))
      response.writeHead(200, { 'content-type': types[extname(path)] ?? 'text/plain' }).end(body)
    } catch {
      response.writeHead(404).end()
    }
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  site = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`
  browser = await launchBrowser()
})
after(() => browser.close())
after(() => server.close())

async function open(url: string, width = 1280, height = 800): Promise<{ page: Page; errors: string[] }> {
  const page = await browser.newPage({ viewport: { width, height } })
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(error.message))
  page.on('console', (message) => {
    if (message.type() === 'error' && !message.text().includes('favicon')) errors.push(message.text())
  })
  await page.goto(url)
  return { page, errors }
}

/** What axe finds against a page, serious or worse. */
async function troubles(page: Page): Promise<string[]> {
  await page.evaluate(axe)
  return page.evaluate(async () => {
    const { violations } = await (
      globalThis as unknown as { axe: { run(): Promise<{ violations: { id: string; impact: string }[] }> } }
    ).axe.run()
    return violations.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id }) => id)
  })
}

test('unpack/core in a browser: the demo has no mistake; one that is typed is told with its place', async () => {
  const { page, errors } = await open(site)
  await page.getByText('No mistakes').waitFor()
  assert.ok(await page.getByText('the category “Lamps & wiring” is missing').isVisible())
  const text = page.locator('#text')
  await text.fill(
    (await text.inputValue())
      .replace('timezone: Europe/London', 'timezone: Europe/Lundon')
      .replace('username: marlow', 'username: admin\n  password: hunter2'),
  )
  await page.getByText('mistakes').waitFor()
  const said = await page.locator('#result').innerText()
  assert.match(said, /site\.timezone[\s\S]*Europe\/London/)
  assert.match(said, /owner\.username: this user name is easy to guess/)
  assert.doesNotMatch(said, /hunter2/)
  await page.getByRole('button', { name: /^line 11,/ }).click()
  assert.equal(
    await text.evaluate((area: HTMLTextAreaElement) => area.value.slice(area.selectionStart, area.selectionStart + 5)),
    'Europ'.slice(0, 5),
  )
  assert.deepEqual(errors, [])
  assert.deepEqual(await troubles(page), [])
  await page.close()
})

test('the report on a wide screen and on a phone: nothing scrolls sideways, no script, readable for everybody', async () => {
  const standIn = await runningStandIn(root, { standing: 'first-run' })
  const { record = '' } = await settle(smallBaseline(standIn.address), standIn.options)
  await standIn.close()
  for (const [width, height] of [
    [1280, 800],
    [390, 844],
  ] as const) {
    const { page, errors } = await open(pathToFileURL(join(record, 'report.html')).href, width, height)
    assert.ok(await page.getByText('✓ As planned').isVisible())
    assert.ok((await page.evaluate(() => document.documentElement.scrollWidth)) <= width)
    // with everything open too; an item that was made or changed takes two lines at the most
    const highest = await page.evaluate(() => {
      for (const part of Array.from(document.querySelectorAll('details'))) part.open = true
      return Math.max(
        ...Array.from(document.querySelectorAll('summary'), (line) => line.getBoundingClientRect().height),
      )
    })
    assert.ok(highest <= 60, String(highest))
    assert.ok((await page.evaluate(() => document.documentElement.scrollWidth)) <= width)
    assert.equal(await page.locator('script').count(), 0)
    assert.deepEqual(errors, [])
    await page.close()
  }
  // axe is a script, which the report itself forbids: looked at in a copy without that rule
  const page = await browser.newPage()
  await page.setContent(
    readFileSync(join(record, 'report.html'), 'utf8').replace(/<meta http-equiv="Content-Security-Policy"[^>]*>/, ''),
  )
  assert.deepEqual(await troubles(page), [])
  await page.close()
})
