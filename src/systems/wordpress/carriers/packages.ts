import { load as parse } from 'cheerio'
import { z } from 'zod'
import { jsonOf, type Answer } from '../../../web/answer.js'
import { formOn } from '../../../web/forms.js'
import type { Carried, Carrier } from '../../step.js'
import type { WordPressSession } from '../session.js'
import { askForUpdates } from '../themes.js'

export interface PackageFields {
  use: string
  /** The archive; from the system's own catalogue where left out. */
  bytes?: Uint8Array
}

const kinds = {
  theme: {
    form: 'wp-admin/theme-install.php?upload',
    file: 'themezip',
    button: 'install-theme-submit',
    overwrite: 'a[href*="overwrite=update-theme"], a[href*="overwrite=downgrade-theme"]',
    // a child whose parent is missing can't be activated: its screen offers no link for it
    done: 'a[href*="action=activate"], a[href*="action=enable"]',
    ajax: 'install-theme',
    stale: ['themes'],
  },
  addOns: {
    form: 'wp-admin/plugin-install.php?tab=upload',
    file: 'pluginzip',
    button: 'install-plugin-submit',
    overwrite: 'a[href*="overwrite=update-plugin"], a[href*="overwrite=downgrade-plugin"]',
    done: 'a[href*="action=activate"]',
    ajax: 'install-plugin',
    stale: ['plugins'],
  },
} as const

/** Puts themes or add-ons there: every outcome answers 200, and only what the page offers next tells which it was. */
const installer = (kind: keyof typeof kinds): Carrier<PackageFields, WordPressSession> => ({
  name: kind === 'theme' ? 'themes to install' : 'add-ons to install',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const outcome = load.bytes
      ? await upload(kind, load.use, load.bytes, session)
      : await fromCatalogue(kind, load.use, session)
    session.shelf.forget(...kinds[kind].stale, 'media', 'front')
    return [outcome]
  },
})
export const installTheme = installer('theme')
export const installAddOn = installer('addOns')

async function upload(
  kind: keyof typeof kinds,
  use: string,
  bytes: Uint8Array,
  session: WordPressSession,
): Promise<Carried> {
  const { form: place, file, button, overwrite, done } = kinds[kind]
  const selector = 'form.wp-upload-form'
  const { $: page } = await session.screen(place, {
    has: `${selector} input[name=${file}]`,
    wanted: 'the form for archives',
  })
  const form = formOn(page, selector)
  if (!form) return { refused: 'the system offers no form for archives' }
  const answer = await session.visitor.ask(form.action, {
    method: 'POST',
    parts: { ...form.fields, [file]: { name: `${use}.zip`, type: 'application/zip', bytes }, [button]: '1' },
  })
  if (answer.status >= 400) return { refused: tooLarge(answer, bytes) }
  const $ = parse(answer.text)
  const replace = $(overwrite).first().attr('href')
  // an older one stands there: replacing it is what the plan wants
  const after = replace === undefined ? answer : await session.visitor.get(replace, { purpose: 'write' })
  const next = parse(after.text)(done).first().attr('href')
  if (next !== undefined) session.tokens.set(`activate ${use}`, new URL(next, after.url).href)
  if (replace !== undefined ? after.status === 200 : next !== undefined) return { id: idIn(next) ?? use }
  return {
    refused: /no-?parent|parent/i.test($('.wrap').text())
      ? 'the theme it builds upon is missing'
      : 'the system did not take the archive: it is no theme or add-on to it, or wants a newer system',
  }
}

/** What the system knows an add-on by: its main file, without ending. */
const idIn = (link: string | undefined): string | undefined =>
  link === undefined ? undefined : new URL(link, 'http://x.example/').searchParams.get('plugin')?.replace(/\.php$/, '')

/** The server's own limit shows as an error, or as an expired form, since it throws away what is too long. */
const tooLarge = (answer: Answer, bytes: Uint8Array): string =>
  `HTTP ${answer.status}: the archive has ${(bytes.length / 1_048_576).toFixed(1)} MiB, and this server seems to take less, or can't open it; ask the host to raise its limit for uploads (${serverLimit})`
const serverLimit = 'upload_max_filesize and post_max_size'

const outcome = z.object({ success: z.boolean(), data: z.looseObject({ errorCode: z.string().optional() }).optional() })

async function fromCatalogue(kind: keyof typeof kinds, use: string, session: WordPressSession): Promise<Carried> {
  const answer = await askForUpdates(session, { action: kinds[kind].ajax, slug: use })
  const read = outcome.safeParse(jsonOf(answer)).data
  if (read?.success) return { id: use }
  const code = read?.data?.errorCode ?? `HTTP ${answer.status}`
  return {
    refused: /api_failed|http/i.test(code)
      ? `the system's own catalogue could not be asked (${code}): the server reaches no network; name a zip with “from:”`
      : `the system's own catalogue has no “${use}” for this version (${code})`,
  }
}
