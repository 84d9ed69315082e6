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
interface Sign {
  place: RegExp
  has: string
  wanted: string
  fields?: string
  /** A link that stands on the screen of one item alone, with its number in it: the place's first group. */
  own?: (number: string) => string
}
const known: readonly Sign[] = [
  { place: /^categories\/$/, has: 'a[href$="/admincp/categories/new/"]', wanted: 'the list of categories' },
  {
    place: /^categories\/delete\//,
    has: 'form [name=move_threads_to]',
    wanted: 'the form that removes a category',
  },
  {
    place: /^categories\/(?:edit\/(\d+)\/)?/,
    has: 'form [name=prune_replied_after]',
    wanted: 'the form of a category',
    fields: CATEGORY,
    own: (category) => `a[href$="/admincp/categories/permissions/${category}/"]`,
  },
  {
    place: /^users\/(?:new|edit\/(\d+))\/$/,
    has: 'form [name=new_password]',
    wanted: 'the form of an account',
    fields: 'username rank title roles email',
    own: (account) => `a[href*="/u/"][href$="/${account}/"]`,
  },
  { place: /^users\//, has: 'a[href$="/admincp/users/new/"]', wanted: 'the list of accounts' },
  {
    place: /^permissions\/categories\/(?:new|edit\/\d+)\/$/,
    has: 'form [name$="permissions-can_see"]',
    wanted: 'the form of a set of rights',
    fields: SET,
  },
  {
    place: /^permissions\/categories\/(\d+)\/$/,
    has: 'form [name$="-role"]',
    wanted: 'the form of rights in categories',
    own: (role) => `a[href$="/admincp/permissions/edit/${role}/"]`,
  },
  {
    place: /^permissions\/categories\/$/,
    has: 'a[href$="/admincp/permissions/categories/new/"]',
    wanted: 'the list of sets of rights',
  },
  {
    place: /^permissions\/(?:new|edit\/\d+)\/$/,
    has: 'form [name^="misago.search.permissions"]',
    wanted: 'the form of a role',
    fields: 'name',
  },
  { place: /^permissions\/$/, has: 'a[href$="/admincp/permissions/new/"]', wanted: 'the list of roles' },
  { place: /^ranks\/$/, has: 'a[href$="/admincp/ranks/new/"]', wanted: 'the list of ranks' },
  {
    place: /^ranks\/edit\//,
    has: 'form [name=is_tab]',
    wanted: 'the form of a rank',
    fields: 'name title description roles css_class is_tab',
  },
  { place: /^themes\/import\/$/, has: 'form [name=upload]', wanted: 'the form for a theme' },
  { place: /^themes\/$/, has: 'a[href$="/admincp/themes/new/"]', wanted: 'the list of themes' },
  { place: /^settings\/general\/$/, has: 'form [name=forum_name]', wanted: 'the general settings', fields: GENERAL },
  {
    place: /^settings\/users\/$/,
    has: 'form [name=account_activation]',
    wanted: 'the settings of accounts',
    fields: USERS,
  },
  {
    place: /^settings\/threads\/$/,
    has: 'form [name=posts_per_page]',
    wanted: 'the settings of topics',
    fields: THREADS,
  },
  {
    place: /^settings\/captcha\/$/,
    has: 'form [name=captcha_type]',
    wanted: 'the settings of the question',
    fields: CAPTCHA,
  },
]

/**
 * How the screen at a place is known.
 * @param name what the item goes by whose form it is, where its number stands nowhere on it
 */
export function signAt(place: string, name?: string): FormSign {
  const path = place.replace(/\?.*/, '')
  const sign = known.find((one) => one.place.test(path))
  // a place that is not listed is not read at all: its list is this one
  if (!sign) throw new TypeError(`no sign for ${place}`)
  const number = sign.place.exec(path)?.[1]
  // the same screen of another item is another one
  const link = number === undefined ? undefined : sign.own?.(number)
  const named = name === undefined ? undefined : `form [name=name][value="${name.replace(/["\\]/g, '\\$&')}"]`
  const all = [sign.has, link, named].map((one) => (one === undefined ? '' : `:has(${one})`)).join('')
  const fields = (sign.fields ?? '').split(' ').filter((field) => field !== '')
  return { has: `html${all}`, wanted: sign.wanted, form: MAIN_FORM, fields }
}
