import { strippedText } from '../../core/text/plain.js'
import type { Answer } from '../../web/answer.js'
import { has } from '../../web/forms.js'
import type { Screen } from '../system.js'

/** The screens an owner comes to in the first days. */
export const screens: readonly Screen[] = [
  { name: 'start', place: 'wp-admin/index.php', has: '#dashboard-widgets' },
  { name: 'posts', place: 'wp-admin/edit.php', has: '#posts-filter' },
  { name: 'pages', place: 'wp-admin/edit.php?post_type=page', has: '#posts-filter' },
  { name: 'comments', place: 'wp-admin/edit-comments.php', has: '#comments-form' },
  { name: 'categories', place: 'wp-admin/edit-tags.php?taxonomy=category', has: '#addtag' },
  { name: 'uploads', place: 'wp-admin/upload.php?mode=list', has: '#posts-filter' },
  { name: 'themes', place: 'wp-admin/themes.php', has: '.theme-browser' },
  { name: 'add-ons', place: 'wp-admin/plugins.php', has: '#bulk-action-form' },
  { name: 'accounts', place: 'wp-admin/users.php', has: '#the-list' },
  { name: 'general settings', place: 'wp-admin/options-general.php', has: '#blogname' },
  { name: 'reading settings', place: 'wp-admin/options-reading.php', has: 'input[name=posts_per_page]' },
]

const LEAST_TEXT = 200
const ofPhp =
  /<b>(?:Warning|Fatal error|Notice|Deprecated|Parse error)<\/b>:|^(?:PHP )?(?:Warning|Fatal error|Notice|Deprecated|Parse error):\s/m

/** What may be wrong with a screen that came as an answer. */
export function trouble(answer: Answer, screen: Screen): string | undefined {
  if (answer.status !== 200) return `it answers HTTP ${answer.status}`
  if (has(answer.text, '#loginform')) return 'it asks to sign in'
  if (ofPhp.test(answer.text)) return 'it shows a warning of the language the system is written in'
  if (has(answer.text, 'body#error-page')) return 'it shows an error page'
  if (strippedText(answer.text).length < LEAST_TEXT) return 'it is empty, or nearly so'
  if (!has(answer.text, screen.has)) return 'what belongs on it is missing'
  return undefined
}
