import { followed } from '../../../looks/leads-on.js'
import { textOf } from '../../../core/value.js'
import type { PublishingItem } from '../../../core/areas/publishing.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { Step } from '../../step.js'
import { settingSteps, type Settings } from '../../setting-steps.js'
import { feed } from '../feed.js'
import { permalinks } from '../carriers/permalinks.js'
import { options } from '../carriers/options.js'
import { optionsOf } from '../options.js'
import { structureOf, templateOf } from '../post-address.js'
import type { WordPressSession } from '../session.js'

const settings: Settings<keyof PublishingItem> = {
  postsPerPage: (value) => ({ posts_per_page: textOf(value) }),
  feedPosts: (value) => ({ posts_per_rss: textOf(value) }),
  feedShows: (value) => ({ rss_use_excerpt: value === 'summary' ? '1' : '0' }),
  newPostNotices: (value) => ({ ping_sites: (value as readonly string[]).join('\n') }),
}

export const publishing: AreaOnSystem<'publishing', WordPressSession> = {
  async read(session) {
    const { values } = await optionsOf(session)
    const item: PublishingItem = {
      postsPerPage: Number(values.posts_per_page),
      postAddress: templateOf(values.permalink_structure ?? ''),
      feedPosts: Number(values.posts_per_rss),
      feedShows: values.rss_use_excerpt === '1' ? 'summary' : 'whole',
      newPostNotices: (values.ping_sites ?? '').split(/\s+/).filter((line) => line !== ''),
    }
    return [{ id: 'publishing', item }]
  },
  translate: (differences) => [
    ...settingSteps(differences, options, settings),
    ...differences.flatMap((difference) => {
      if (difference.is === 'left over') return []
      const { postAddress } = difference.wanted
      const changed = difference.is === 'missing' || difference.fields.includes('postAddress')
      return postAddress !== undefined && changed
        ? [Step.of(permalinks, { structure: structureOf(postAddress) }, { proves: [difference] })]
        : []
    }),
  ],
  ships: () => [
    {
      id: 'publishing',
      item: {
        postsPerPage: 10,
        postAddress: '/{year}/{month}/{day}/{slug}/',
        feedPosts: 10,
        feedShows: 'whole',
        newPostNotices: ['http://rpc.pingomatic.com/'],
      },
    },
  ],
  looks: { feed },
  // it guesses by the slug where the new rule has a year in front
  try: followed((_before, after) => after.startsWith('/{year}')),
}
