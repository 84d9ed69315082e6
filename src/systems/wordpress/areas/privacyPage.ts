import { load } from 'cheerio'
import { bad, good } from '../../../looks/look.js'
import { textOf } from '../../../core/value.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { idOf } from '../../later.js'
import { settingSteps } from '../../setting-steps.js'
import { options } from '../carriers/options.js'
import { pageRefsOf } from '../items.js'
import { optionsOf } from '../options.js'
import { wordsFor } from '../shipped-words.js'
import type { WordPressSession } from '../session.js'

export const privacyPage: AreaOnSystem<'privacyPage', WordPressSession> = {
  async read(session) {
    const [{ values }, refs] = await Promise.all([optionsOf(session), pageRefsOf(session)])
    return [{ id: 'privacyPage', item: { page: refs.get(Number(values.wp_page_for_privacy_policy)) ?? '' } }]
  },
  translate: (differences) =>
    settingSteps(differences, options, {
      page: (ref) => ({ wp_page_for_privacy_policy: ref === '' ? '0' : idOf(textOf(ref)) }),
    }),
  ships: (baseline) => [{ id: 'privacyPage', item: { page: `pages/${wordsFor(baseline).draft.slug}` } }],
  looks: {
    // themes may leave it out; the page on which one signs in never does
    'privacy notice': async (_expected, { place, visit }) => {
      const answer = await visit('wp-login.php')
      const href = load(answer.text)('a.privacy-policy-link').attr('href')
      return href === place ? good(answer.url) : bad(`${answer.url} leads to ${href ?? 'no such page'}`)
    },
  },
}
