import type { Office } from '../../../common/server/office.js'
import type { Blog } from '../model.js'

/** What is set on this screen. */
export interface Publishing {
  /** The page that visitors see first and the one that lists the posts; 0 for none. */
  frontPage: number
  /** The number of the page about privacy; 0 where there is none. */
  privacyPage: number
  postsPage: number
  postsPerPage: number
  /** A URI Template; old ones lead on. */
  postAddress: string
  formerPostAddresses: string[]
  feedPosts: number
  feedShows: 'whole' | 'summary'
  notices: string[]
}

export const publishingAtFirst: Publishing = {
  frontPage: 0,
  privacyPage: 0,
  postsPage: 0,
  postsPerPage: 10,
  postAddress: '/post/{slug}',
  formerPostAddresses: [],
  feedPosts: 20,
  feedShows: 'whole',
  notices: ['http://notices.harbour.example/'],
}

/** The front page, how many posts stand where, and how a post's address is made. */
export function publishing(office: Office, blog: Blog): void {
  office.get('/publishing', (request, reply) => {
    const { settings: now, pages } = blog
    const numbers = ['0', ...pages.map(({ id }) => String(id))]
    const fields = [
      { name: 'frontPage', label: 'Front page', value: String(now.frontPage), choices: numbers },
      { name: 'postsPage', label: 'Page of the posts', value: String(now.postsPage), choices: numbers },
      { name: 'privacyPage', label: 'Page about privacy', value: String(now.privacyPage), choices: numbers },
      { name: 'postsPerPage', label: 'Posts on a page', value: String(now.postsPerPage) },
      { name: 'postAddress', label: 'Address of a post', value: now.postAddress },
      { name: 'feedPosts', label: 'Posts in the feed', value: String(now.feedPosts) },
      { name: 'feedShows', label: 'The feed shows', value: now.feedShows, choices: ['whole', 'summary'] },
      { name: 'notices', label: 'Told of new posts, one a line', value: now.notices.join('\n'), kind: 'long' as const },
    ]
    return office.screen(reply, 'publishing', office.editor(request, '/publishing', fields))
  })
  office.post('/publishing', '/publishing', (body) => {
    const { settings: now } = blog
    const [postsPerPage, feedPosts] = [Number(body.postsPerPage), Number(body.feedPosts)]
    if (!(postsPerPage > 0 && feedPosts > 0)) return 'There must be one post at the least.'
    const { postAddress = '', notices = '' } = body
    if (!/^\/.*\{(slug|id)\}/.test(postAddress)) return 'A post could not be told from others by that address.'
    if (postAddress !== now.postAddress)
      now.formerPostAddresses = [...now.formerPostAddresses, now.postAddress].filter((one) => one !== postAddress)
    Object.assign(now, { postsPerPage, feedPosts, postAddress })
    now.frontPage = Number(body.frontPage)
    now.postsPage = Number(body.postsPage)
    now.privacyPage = Number(body.privacyPage)
    now.feedShows = body.feedShows === 'summary' ? 'summary' : 'whole'
    now.notices = notices.split(/\s+/).filter((line) => line !== '')
    return undefined
  })
}
