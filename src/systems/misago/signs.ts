import type { FormSign } from '../../web/reading.js'

/* Fields of forms that are sent whole: sent without one of them, a setting would change that nobody meant. */
const CATEGORY =
  'new_parent name short_name color description css_class is_closed require_threads_approval require_replies_approval require_edits_approval prune_started_after prune_replied_after archive_pruned_in'
const GENERAL =
  'forum_name forum_address logo_text index_title index_meta_description index_header index_message forum_footnote email_footer show_admin_panel_link_in_ui'
const USERS =
  'account_activation new_inactive_accounts_delete username_length_min username_length_max anonymous_username allow_custom_avatars avatar_upload_limit default_avatar default_gravatar_fallback signature_length_max allow_data_downloads data_downloads_expiration allow_delete_own_account ip_storage_time subscribe_start subscribe_reply users_per_page users_per_page_orphans top_posters_ranking_size top_posters_ranking_length'
const THREADS =
  'thread_title_length_min thread_title_length_max post_length_min post_length_max post_attachments_limit unused_attachments_lifetime hourly_post_limit daily_post_limit threads_per_page posts_per_page posts_per_page_orphans events_per_page readtracker_cutoff'
const CAPTCHA =
  'captcha_type recaptcha_site_key recaptcha_secret_key qa_question qa_help_text qa_answers enable_stop_forum_spam stop_forum_spam_confidence'
const SET = [
  'can_see_all_threads can_start_threads can_reply_threads can_edit_threads can_hide_own_threads thread_edit_time',
  'can_hide_threads can_pin_threads can_close_threads can_move_threads can_merge_threads can_edit_posts can_hide_own_posts',
  'post_edit_time can_hide_posts can_see_posts_likes can_like_posts can_protect_posts can_move_posts can_merge_posts',
  'can_approve_content can_report_content can_see_reports can_hide_events require_threads_approval',
  'require_replies_approval require_edits_approval',
]
  .join(' ')
  .replace(/\S+/g, 'misago.threads.permissions.threads-$&')
// beside the two forms to sign out that stand on every screen
const MAIN_FORM = 'form[method=post]:has(input[name=csrfmiddlewaretoken]):not([action])'

/** What stands on a screen of the dashboard and on no other. Places have numbers and filters in them. */
const known: readonly [place: RegExp, has: string, wanted: string, fields?: string][] = [
  [/^categories\/$/, 'a[href$="/admincp/categories/new/"]', 'the list of categories'],
  [/^categories\/delete\//, 'form [name=move_threads_to]', 'the form that removes a category'],
  [/^categories\//, 'form [name=prune_replied_after]', 'the form of a category', CATEGORY],
  [
    /^users\/(?:new|edit\/\d+)\/$/,
    'form [name=new_password]',
    'the form of an account',
    'username rank title roles email',
  ],
  [/^users\//, 'a[href$="/admincp/users/new/"]', 'the list of accounts'],
  [
    /^permissions\/categories\/(?:new|edit\/\d+)\/$/,
    'form [name$="permissions-can_see"]',
    'the form of a set of rights',
    SET,
  ],
  [/^permissions\/categories\/\d+\/$/, 'form [name$="-role"]', 'the form of rights in categories'],
  [/^permissions\/categories\/$/, 'a[href$="/admincp/permissions/categories/new/"]', 'the list of sets of rights'],
  [/^permissions\/(?:new|edit\/\d+)\/$/, 'form [name^="misago.search.permissions"]', 'the form of a role', 'name'],
  [/^permissions\/$/, 'a[href$="/admincp/permissions/new/"]', 'the list of roles'],
  [/^ranks\/$/, 'a[href$="/admincp/ranks/new/"]', 'the list of ranks'],
  [/^ranks\/edit\//, 'form [name=is_tab]', 'the form of a rank', 'name title description roles css_class is_tab'],
  [/^themes\/import\/$/, 'form [name=upload]', 'the form for a theme'],
  [/^themes\/$/, 'a[href$="/admincp/themes/new/"]', 'the list of themes'],
  [/^settings\/general\/$/, 'form [name=forum_name]', 'the general settings', GENERAL],
  [/^settings\/users\/$/, 'form [name=account_activation]', 'the settings of accounts', USERS],
  [/^settings\/threads\/$/, 'form [name=posts_per_page]', 'the settings of topics', THREADS],
  [/^settings\/captcha\/$/, 'form [name=captcha_type]', 'the settings of the question', CAPTCHA],
]

/** What stands on the screen of one item alone: links with its number in them. The same screen of another is another one. */
const byNumber: readonly [place: RegExp, link: (number: string) => string][] = [
  [/^permissions\/categories\/(\d+)\/$/, (role) => `a[href$="/admincp/permissions/edit/${role}/"]`],
  [/^categories\/edit\/(\d+)\/$/, (category) => `a[href$="/admincp/categories/permissions/${category}/"]`],
  [/^users\/edit\/(\d+)\/$/, (account) => `a[href*="/u/"][href$="/${account}/"]`],
]

/**
 * How the screen at a place is known.
 * @param name what the item goes by whose form it is, where its number stands nowhere on it
 */
export function signAt(place: string, name?: string): FormSign {
  const own = known.find(([at]) => at.test(place.replace(/\?.*/, '')))
  // a place that is not listed is not read at all: its list is this one
  if (!own) throw new TypeError(`no sign for ${place}`)
  const [, has, wanted, fields = ''] = own
  const links = byNumber.flatMap(([at, link]) => {
    const number = at.exec(place)?.[1]
    return number === undefined ? [] : [link(number)]
  })
  const named = name === undefined ? [] : [`form [name=name][value="${name.replace(/["\\]/g, '\\$&')}"]`]
  const all = [has, ...links, ...named].map((one) => `:has(${one})`).join('')
  return { has: `html${all}`, wanted, form: MAIN_FORM, fields: fields.split(' ').filter((name) => name !== '') }
}
