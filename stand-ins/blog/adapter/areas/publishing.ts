import { settingSteps, feedAt, followed, type AreaOnSystem, type ItemOf } from 'unpack'
import type { StandInSession } from '../../../common/adapter/session.js'
import { as } from '../../../common/adapter/settings.js'
import { publishing as carrier } from '../carriers/forms.js'

export const publishing: AreaOnSystem<'publishing', StandInSession> = {
  async read(session) {
    const { postsPerPage, postAddress, feedPosts, feedShows, notices = '' } = await session.form('publishing')
    const item: ItemOf<'publishing'> = {
      postsPerPage: Number(postsPerPage),
      postAddress,
      feedPosts: Number(feedPosts),
      feedShows: feedShows === 'whole' ? 'whole' : 'summary',
      newPostNotices: notices.split(/\s+/).filter((line) => line !== ''),
    }
    return [{ id: 'publishing', item }]
  },
  translate: (differences) =>
    settingSteps(differences, carrier, {
      postsPerPage: as('postsPerPage'),
      postAddress: as('postAddress'),
      feedPosts: as('feedPosts'),
      feedShows: as('feedShows'),
      newPostNotices: (value) => ({ notices: (value as readonly string[]).join('\n') }),
    }),
  ships: () => [
    {
      id: 'publishing',
      item: {
        postsPerPage: 10,
        postAddress: '/post/{slug}',
        feedPosts: 20,
        feedShows: 'whole',
        newPostNotices: ['http://notices.harbour.example/'],
      },
    },
  ],
  looks: { feed: feedAt('/feed.xml') },
  try: followed(() => true),
}
