import { strippedText } from '../../core/text/plain.js'
import type { Answer } from '../../web/answer.js'
import { has } from '../../web/forms.js'
import type { Screen } from '../system.js'
import { asksToSignIn } from './sign-in.js'

/** The screens an owner comes to in the first days. */
export const screens: readonly Screen[] = [
  { name: 'start', place: 'admincp/', has: '.nav-section' },
  { name: 'accounts', place: 'admincp/users/', has: '#mass-action' },
  { name: 'ranks', place: 'admincp/ranks/', has: 'a.item-name' },
  { name: 'categories', place: 'admincp/categories/', has: 'a[href$="/categories/new/"]' },
  { name: 'groups', place: 'admincp/permissions/', has: 'a.item-name' },
  { name: 'sets of rights', place: 'admincp/permissions/categories/', has: 'a.item-name' },
  { name: 'themes', place: 'admincp/themes/', has: '.item-name' },
  { name: 'general settings', place: 'admincp/settings/general/', has: 'input[name=forum_name]' },
  { name: 'settings of accounts', place: 'admincp/settings/users/', has: 'input[name=account_activation]' },
  { name: 'settings of topics', place: 'admincp/settings/threads/', has: 'input[name=posts_per_page]' },
]

/** What may be wrong with a screen that came as an answer. */
export function trouble(answer: Answer, screen: Screen): string | undefined {
  if (answer.status !== 200) return `it answers HTTP ${answer.status}`
  if (asksToSignIn(answer.text)) return 'it asks to sign in'
  if (answer.text.includes('Traceback (most recent call last)'))
    return 'it shows a trace of the language the system is written in'
  if (strippedText(answer.text).length < 200) return 'it is empty, or nearly so'
  return has(answer.text, screen.has) ? undefined : 'what belongs on it is missing'
}
