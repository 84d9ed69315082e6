import { strippedText } from '../../core/text/plain.js'
import type { Answer } from '../../web/answer.js'
import { has } from '../../web/forms.js'
import type { Screen } from '../system.js'

/** The screens an owner comes to in the first days. */
export const screens: readonly Screen[] = [
  { name: 'start', place: '@@overview-controlpanel', has: 'a[href$="/@@usergroup-userprefs"]' },
  { name: 'site', place: '@@site-controlpanel', has: '[name="form.widgets.site_title"]' },
  { name: 'language', place: '@@language-controlpanel', has: '[name^="form.widgets.default_language"]' },
  { name: 'dates', place: '@@dateandtime-controlpanel', has: '[name^="form.widgets.portal_timezone"]' },
  { name: 'mail', place: '@@mail-controlpanel', has: '[name="form.widgets.smtp_host"]' },
  { name: 'security', place: '@@security-controlpanel', has: '[name^="form.widgets.enable_self_reg"]' },
  { name: 'add-ons', place: 'prefs_install_products_form', has: '#activated-products' },
  {
    name: 'theme',
    place: '@@theming-controlpanel',
    has: '[name="form.button.Import"], #theming-controlpanel, .themeEntry',
  },
  { name: 'accounts', place: '@@usergroup-userprefs', has: 'form[action$="@@usergroup-userprefs"]' },
  { name: 'groups', place: '@@usergroup-groupprefs', has: 'form[action$="@@usergroup-groupprefs"]' },
]

/** What may be wrong with a screen that came as an answer. */
export function trouble(answer: Answer, screen: Screen): string | undefined {
  if (answer.status !== 200) return `it answers HTTP ${answer.status}`
  if (has(answer.text, 'input[name=__ac_password]')) return 'it asks to sign in'
  if (answer.text.includes('Traceback (most recent call last)'))
    return 'it shows a trace of the language the system is written in'
  if (strippedText(answer.text).length < 200) return 'it is empty, or nearly so'
  return has(answer.text, screen.has) ? undefined : 'what belongs on it is missing'
}
