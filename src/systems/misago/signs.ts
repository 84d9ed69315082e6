import type { Sign } from '../../web/reading.js'

/** What stands on a screen of the dashboard and on no other. Places have numbers and filters in them. */
const known: readonly [place: RegExp, has: string, wanted: string][] = [
  [/^categories\/$/, 'a[href$="/admincp/categories/new/"]', 'the list of categories'],
  [/^categories\/delete\//, 'form [name=move_threads_to]', 'the form that removes a category'],
  [/^categories\//, 'form [name=prune_replied_after]', 'the form of a category'],
  [/^users\/(?:new|edit\/\d+)\/$/, 'form [name=new_password]', 'the form of an account'],
  [/^users\//, 'a[href$="/admincp/users/new/"]', 'the list of accounts'],
  [
    /^permissions\/categories\/(?:new|edit\/\d+)\/$/,
    'form [name$="permissions-can_see"]',
    'the form of a set of rights',
  ],
  [/^permissions\/categories\/\d+\/$/, 'form [name$="-role"]', 'the form of rights in categories'],
  [/^permissions\/categories\/$/, 'a[href$="/admincp/permissions/categories/new/"]', 'the list of sets of rights'],
  [/^permissions\/(?:new|edit\/\d+)\/$/, 'form [name^="misago.search.permissions"]', 'the form of a role'],
  [/^permissions\/$/, 'a[href$="/admincp/permissions/new/"]', 'the list of roles'],
  [/^ranks\/$/, 'a[href$="/admincp/ranks/new/"]', 'the list of ranks'],
  [/^ranks\/edit\//, 'form [name=is_tab]', 'the form of a rank'],
  [/^themes\/import\/$/, 'form [name=upload]', 'the form for a theme'],
  [/^themes\/$/, 'a[href$="/admincp/themes/new/"]', 'the list of themes'],
  [/^settings\/general\/$/, 'form [name=forum_name]', 'the general settings'],
  [/^settings\/users\/$/, 'form [name=account_activation]', 'the settings of accounts'],
  [/^settings\/threads\/$/, 'form [name=posts_per_page]', 'the settings of topics'],
  [/^settings\/captcha\/$/, 'form [name=captcha_type]', 'the settings of the question'],
]

/** How the screen at a place is known. */
export function signAt(place: string): Sign {
  const own = known.find(([at]) => at.test(place.replace(/\?.*/, '')))
  // a place that is not listed is not read at all: its list is this one
  if (!own) throw new TypeError(`no sign for ${place}`)
  return { has: own[1], wanted: own[2] }
}
