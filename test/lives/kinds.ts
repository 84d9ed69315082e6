import { blogSite } from './blog.js'
import { contentSite } from './content.js'
import { forumSite } from './forum.js'
import { shopSite } from './shop.js'
import type { Site } from './site.js'

/** The stand-ins on which lives are lived. */
export const kinds = {
  blog: blogSite,
  forum: forumSite,
  content: contentSite,
  shop: shopSite,
} as const satisfies Readonly<Record<string, () => Site>>
