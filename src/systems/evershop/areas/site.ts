import { refOf } from '../../../core/ref.js'
import { textOf } from '../../../core/value.js'
import { logoAt } from '../../../looks/logo.js'
import { shown } from '../../../looks/shows.js'
import { addressOf } from '../../later.js'
import { settingSteps } from '../../setting-steps.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { settings } from '../carriers/settings.js'
import { encode } from '../escape.js'
import { filesOf } from '../files.js'
import type { EverShopSession } from '../session.js'
import { UNNAMED } from '../shipped.js'
import { shopOf } from '../shop.js'
import { tagged } from '../wire.js'
import { load } from 'cheerio'

const AWAY = 'User-agent: *\nDisallow: /\n'
const WELCOME = 'User-agent: *\nAllow: /\n'

/** The ref of the upload at an address. */
const pictureAt = (url: string | null | undefined, files: Awaited<ReturnType<typeof filesOf>>): string => {
  const file = files.find((one) => one.url === url)
  return file ? refOf('media', file.name.replace(/\.[^.]*$/, '')) : ''
}

export const site: AreaOnSystem<'site', EverShopSession> = {
  can: {
    date: { never: 'dates are written as the language has it on this system' },
    time: { never: 'times are written as the language has it on this system' },
    weekStarts: { never: 'this system has no calendar' },
    contact: { never: 'mail is set up on the server of this system; store.email is what customers read' },
  },
  takes: (key, value) => (key === 'title' || key === 'description' ? tagged(value) : undefined),
  async read(session) {
    const [{ setting }, files, robots] = await Promise.all([shopOf(session), filesOf(session), robotsOf(session)])
    const item = {
      title: saidIn(setting.storeName),
      description: saidIn(setting.storeDescription),
      language: setting.storeLanguage ?? '',
      timezone: setting.storeTimeZone ?? '',
      searchEngines: robots,
      icon: pictureAt(setting.favicon, files),
      logo: pictureAt(setting.logo, files),
    }
    return [{ id: 'site', item }]
  },
  translate: (differences) =>
    settingSteps(differences, settings, {
      title: (value) => ({ storeName: textOf(value) }),
      description: (value) => ({ storeDescription: textOf(value) }),
      language: (value) => ({ storeLanguage: textOf(value) }),
      timezone: (value) => ({ storeTimeZone: textOf(value) }),
      searchEngines: (value) => ({ robotsTxt: value === 'welcome' ? WELCOME : AWAY }),
      icon: (value) => ({ favicon: addressOf(textOf(value)) }),
      logo: (value) => ({ logo: addressOf(textOf(value)) }),
    }),
  looks: {
    // the line about the shop stands where search engines read it
    async shows({ texts }, { place, visit }) {
      const answer = await visit(place)
      return shown({ ...answer, text: `${answer.text}<p>${encode(described(answer.text))}</p>` }, texts)
    },
    logo: logoAt('header .logo img'),
  },
}

/** As long as nobody says anything, the pages show something else than the dashboard does. */
const saidIn = (text: string | null | undefined): string => (text === UNNAMED ? '' : (text ?? ''))

const described = (html: string): string => load(html)('meta[name=description]').first().attr('content') ?? ''

/** What search engines are told is to be read only where they read it. */
const robotsOf = (session: EverShopSession): Promise<'welcome' | 'turned away'> =>
  session.shelf.read('robots', async () => {
    const { text, status } = await session.visitor.get('robots.txt')
    const forAll = /^user-agent:\s*\*\s*$([\s\S]*?)(?=^user-agent:|(?![\s\S]))/im.exec(text)?.[1] ?? ''
    return status === 200 && /^disallow:\s*\/\s*$/im.test(forAll) ? 'turned away' : 'welcome'
  })
