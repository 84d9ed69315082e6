import { textOf } from '../../../core/value.js'
import { settingSteps } from '../../setting-steps.js'
import type { AreaOnSystem } from '../../area-on-system.js'
import { threads } from '../carriers/settings.js'
import { givenToMembers, rightSteps } from '../member-rights.js'
import type { MisagoSession } from '../session.js'

const as = (field: string) => (value: unknown) => ({ [field]: textOf(value as never) })

export const posting: AreaOnSystem<'posting', MisagoSession> = {
  can: {
    waitSeconds: { never: 'this system waits three seconds between two posts, and has no setting for it' },
    busyFrom: { never: 'this system marks no topic as busy' },
    'polls.choices': { never: 'how many choices a poll may have is not to be set here' },
  },
  async read(session, { posting: planned }) {
    const [{ fields }, given] = await Promise.all([
      session.form('settings/threads/'),
      planned?.polls?.allowed === undefined ? undefined : givenToMembers(session),
    ])
    return [
      {
        id: (given?.polls ?? []).join(),
        item: {
          perHour: Number(fields.hourly_post_limit),
          postsPerPage: Number(fields.posts_per_page),
          topicsPerPage: Number(fields.threads_per_page),
          ...(given && { 'polls.allowed': given.polls.length > 0 }),
        },
      },
    ]
  },
  translate: (differences) => [
    ...settingSteps(differences, threads, {
      perHour: as('hourly_post_limit'),
      // a page may not hold fewer than those that are added to the one before
      postsPerPage: (value) => ({ posts_per_page: textOf(value), posts_per_page_orphans: '0' }),
      topicsPerPage: as('threads_per_page'),
    }),
    ...differences.flatMap((difference) => {
      const on = difference.is === 'different' ? difference.wanted['polls.allowed'] : undefined
      if (difference.is !== 'different' || on === undefined || !difference.fields.includes('polls.allowed')) return []
      return rightSteps(difference, 'polls', on, String(difference.found.id).split(',').filter(Boolean).map(Number))
    }),
  ],
}
