import { unescaped } from '../../core/text/percent.js'
import { rows, texts } from './shipped-data.js'
import { titleIn } from './titles.js'

export interface ShippedWords {
  locale: string
  post: { title: string; slug: string }
  page: { title: string; slug: string }
  draft: { title: string; slug: string }
  category: { name: string; slug: string }
  commentBy: string
}

/** Titles, slugs and names that ship, as an owner reads them; several of a language where versions differ. */
export const shippedWords: readonly ShippedWords[] = rows.map(
  ([locale, postTitle, postSlug, pageTitle, pageSlug, draftTitle, draftSlug, name, slug, commentBy]) => ({
    locale,
    post: { title: titleIn(postTitle), slug: unescaped(postSlug) },
    page: { title: titleIn(pageTitle), slug: unescaped(pageSlug) },
    draft: { title: titleIn(draftTitle), slug: unescaped(draftSlug) },
    category: { name: titleIn(name), slug: unescaped(slug) },
    commentBy: titleIn(commentBy),
  }),
)

/** Digests of the shipped texts, in all languages. */
export const shippedTexts = texts
