import type { RunOptions } from 'unpack'
import { plansOfOne } from '../lives/grounds.js'
import type { Ground } from '../lives/sequences.js'
import type { LabBlog } from './lab.js'
import type { LabContent } from './lab-content.js'
import type { LabForum } from './lab-forum.js'
import { shopOwner, type LabShop } from './lab-shop.js'

/* How the people of named sequences work on real systems: with SQL, or at an interface that only they use. */

type Options = RunOptions & { state: string }
const hand = 'username: marlow, email: marlow@quay.example'

/** What an SQL query of one row finds, column by column; undefined where there is no row. */
const row = (text: string, between: string): string[] | undefined =>
  text.trim() === '' ? undefined : text.replace(/\n$/, '').split(between)

/** A real WordPress. */
export function blogGround(blog: LabBlog, options: Options): Ground {
  const { others, ref, readers, plan } = plansOfOne.blog
  const where = (name: string) => `where post_type = 'page' and post_name = '${name}'`
  const set = (name: string, what: string) =>
    void blog.sql(
      `update wp_posts set ${what}, post_modified = now(), post_modified_gmt = utc_timestamp() ${where(name)}`,
    )
  return {
    ...{ options, others, ref, readers },
    plan: (name, item) => plan(blog.address, name, item),
    async read(name) {
      const found = row(blog.sql(`select post_content, post_title, post_status from wp_posts ${where(name)}`), '\t')
      const [text = '', other = '', state] = found ?? []
      return found && { text: text.replace(/<[^>]*>|\\n/g, ''), other, isOpen: state === 'publish' }
    },
    write: async (name, text) =>
      set(name, `post_content = '<!-- wp:paragraph -->\n<p>${text}</p>\n<!-- /wp:paragraph -->'`),
    close: async (name) => set(name, `post_status = 'draft'`),
  }
}

/** A site on a real Plone server. */
export function contentGround(content: LabContent, address: string, options: Options): Ground {
  const { others, ref, readers, plan } = plansOfOne.content
  const ask = async (method: string, place: string, json?: unknown) => {
    const answer = await content.ask(method, `${address}${place}`, json)
    if (!answer.ok && answer.status !== 404) throw new Error(`${method} ${place}: ${await answer.text()}`)
    return answer
  }
  interface Page {
    title: string
    text: { data: string }
    review_state: string
  }
  return {
    ...{ options, others, ref, readers },
    plan: (name, item) => plan(address, name, item, `${hand}, signInAs: boss`),
    async read(name) {
      const answer = await ask('GET', name)
      if (answer.status === 404) return undefined
      const page = (await answer.json()) as Page
      const text = page.text.data.replace(/<[^>]*>/g, '').trim()
      return { text, other: page.title, isOpen: page.review_state === 'published' }
    },
    async write(name, text) {
      await ask('PATCH', name, { text: { data: `<p>${text}</p>`, 'content-type': 'text/html' } })
    },
    async close(name) {
      await ask('POST', `${name}/@workflow/retract`, {})
    },
  }
}

/** A real Misago. */
export function forumGround(forum: LabForum, options: Options): Ground {
  const { others, ref, readers, plan } = plansOfOne.forum
  const category = (name: string) => `(select id from misago_categories_category where name = '${name}')`
  return {
    ...{ options, others, ref, readers },
    plan: (name, item) => plan(forum.address, name, item, `${hand}, signInAs: boss`),
    async read(name) {
      const visitors = `(select count(*) from misago_categories_rolecategoryacl join misago_acl_role r on r.id = role_id where category_id = c.id and special_role = 'anonymous')`
      const found = row(
        forum.sql(
          `select description, is_closed, ${visitors} > 0 from misago_categories_category c where name = '${name}'`,
        ),
        '|',
      )
      const [text = '', locked, isOpen] = found ?? []
      return found && { text, other: String(locked === 't'), isOpen: isOpen === 't' }
    },
    async write(name, text) {
      forum.sql(`update misago_categories_category set description = '${text}' where name = '${name}'`)
    },
    async close(name) {
      forum.sql(
        `delete from misago_categories_rolecategoryacl where category_id = ${category(name)};` +
          "update misago_cache_cacheversion set version = 'closed' where cache = 'acl'",
      )
    },
  }
}

/** A real EverShop. */
export function shopGround(shop: LabShop, options: Options): Ground {
  const { others, ref, readers, plan } = plansOfOne.shop
  const product = (name: string) => `(select product_id from product where sku = '${name}')`
  return {
    ...{ options, others, ref, readers },
    plan: (name, item) => plan(shop.address, name, item, `username: ${shopOwner.username}, email: ${shopOwner.email}`),
    async read(name) {
      const found = row(
        shop.sql(
          `select d.name, p.price, p.status from product p join product_description d on d.product_description_product_id = p.product_id where p.sku = '${name}'`,
        ),
        '|',
      )
      const [text = '', price, isShown] = found ?? []
      return found && { text, other: Number(price).toFixed(2), isOpen: isShown === 't' }
    },
    async write(name, text) {
      shop.sql(
        `update product_description set name = '${text}' where product_description_product_id = ${product(name)}`,
      )
    },
    async close(name) {
      shop.sql(`update product set status = false where sku = '${name}'`)
    },
  }
}
