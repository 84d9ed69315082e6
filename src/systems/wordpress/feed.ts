import { feedAt } from '../../looks/feed.js'

/** Where visitors find the feed, whatever the address rules. */
export const feed = feedAt('/?feed=rss2')
