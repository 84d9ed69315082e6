import assert from 'node:assert/strict'
import { test } from 'node:test'
import { builtIn, confirm, jsonOf, Secret, settle, undo } from 'unpack'
import type { WordPressSession } from '../../src/systems/wordpress/session.js'
import type { MisagoSession } from '../../src/systems/misago/session.js'
import { asOwner } from '../help/as-owner.js'
import { folder } from '../help/folders.js'
import { labBlog } from '../help/lab.js'
import { hostsLogin, labForum } from '../help/lab-forum.js'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'
import { watchersOnMisago } from '../help/watchers.js'

const root = folder()
const blog = await labBlog('undo')
const forum = await labForum('undo')

/** What the editing screens of a blog hold, without numbers and without when something was written to last. */
const blogNow = () =>
  blog
    .sql(
      `select concat_ws('|', post_type, post_name, post_title, post_content, post_excerpt, post_status, comment_status, ping_status, post_password, menu_order, post_mime_type, post_date_gmt) from wp_posts where post_type in ('post', 'page') and post_status <> 'auto-draft' order by post_type, post_name;
       select concat_ws('|', post_title, post_excerpt, post_content, post_mime_type, m.meta_value) from wp_posts p left join wp_postmeta m on m.post_id = p.ID and m.meta_key = '_wp_attachment_image_alt' where post_type = 'attachment' order by post_title;
       select concat_ws('|', taxonomy, slug, name, description, (select t.slug from wp_terms t where t.term_id = x.parent)) from wp_terms join wp_term_taxonomy x using (term_id) where taxonomy <> 'wp_theme' order by taxonomy, slug;
       select concat_ws('|', p.post_name, t.slug) from wp_term_relationships r join wp_posts p on p.ID = r.object_id join wp_term_taxonomy x using (term_taxonomy_id) join wp_terms t using (term_id) where p.post_type in ('post', 'page') order by p.post_name, t.slug;
       select concat_ws('|', comment_author, comment_author_email, comment_content, comment_approved, comment_date_gmt) from wp_comments order by comment_content;
       select concat_ws('|', i.post_title, i.menu_order, (select group_concat(concat(meta_key, '=', meta_value) order by meta_key) from wp_postmeta where post_id = i.ID and meta_key in ('_menu_item_type', '_menu_item_object', '_menu_item_url', '_menu_item_target', '_menu_item_classes', '_menu_item_xfn'))) from wp_posts i where i.post_type = 'nav_menu_item' order by i.menu_order, i.post_title;`,
    )
    .trim()
    .split('\n')

test('a real blog: post, page, comment, category, tag, menu and upload are given back as they were, field by field', async () => {
  const own = { ...(await ownFolders(root)), confirm: false }
  const plan = (more: string) => planned(blog.address, more)
  await settle(plan('shipped: { theme: keep }'), own)
  const picture = new Uint8Array(5000).map((_, at) => (at * 31) % 256)
  await asOwner<WordPressSession, unknown>(plan(''), own, async (session) => {
    const make = async (route: string, body: object) => {
      const answer = await session.rest('POST', `/wp/v2/${route}`, '', body)
      assert.ok(answer.status < 300, `${route}: ${answer.text.slice(0, 300)}`)
      return (jsonOf(answer) as { id: number }).id
    }
    const category = await make('categories', { name: 'Boats & nets', slug: 'boats', description: 'What "floats"' })
    const inner = await make('categories', { name: 'Oars', slug: 'oars', parent: category })
    const tag = await make('tags', { name: 'brass', slug: 'brass', description: 'It shines' })
    const above = await make('pages', { title: 'Pier', slug: 'pier', status: 'publish', content: '<p>Here.</p>' })
    await make('pages', {
      ...{
        title: 'Steps',
        slug: 'steps',
        status: 'private',
        content: '<!-- wp:paragraph --><p>Mind <em>them</em>.</p><!-- /wp:paragraph -->',
      },
      ...{ parent: above, menu_order: 7, comment_status: 'open', excerpt: 'Slippery' },
    })
    const post = await make('posts', {
      ...{
        title: 'Low “tide”',
        slug: 'low-tide',
        status: 'publish',
        content: '<p>Bring <a href="https://pier.example/">boots</a>.</p>',
      },
      ...{
        categories: [category, inner],
        tags: [tag],
        excerpt: 'Boots',
        comment_status: 'open',
        ping_status: 'closed',
      },
      ...{ date_gmt: '2026-03-05T14:07:00', password: 'crab' },
    })
    await make(`posts/${post}`, { comment_status: 'closed' })
    const menu = await make('menus', { name: 'Quayside', description: 'By the water' })
    const first = await make('menu-items', {
      title: 'The pier',
      menus: menu,
      menu_order: 1,
      status: 'publish',
      type: 'post_type',
      object: 'page',
      object_id: above,
    })
    await make('menu-items', {
      title: 'Elsewhere',
      menus: menu,
      menu_order: 2,
      parent: first,
      status: 'publish',
      type: 'custom',
      url: 'https://pier.example/',
      target: '_blank',
      classes: ['wide'],
    })
    const sent = await session.rest('POST', '/wp/v2/media', '', undefined, {
      file: { name: 'chart.pdf', type: 'application/pdf', bytes: picture },
      headers: { 'content-disposition': 'attachment; filename="chart.pdf"' },
    })
    const upload = jsonOf(sent) as { id: number }
    await make(`media/${upload.id}`, {
      title: 'A chart',
      caption: 'Of the bay',
      description: 'By hand',
      alt_text: 'Depths',
    })
  })
  const before = blogNow()
  const gone = plan(
    'shipped: { posts: remove, comments: remove }\ngone: { posts: [low-tide], pages: [pier, steps], categories: [boats, oars], tags: [brass], menus: [quayside], uploads: [chart] }',
  )
  const done = await settle(gone, own)
  assert.deepEqual(done.failed, [])
  assert.ok(!/pier|boats|Hello world|Commenter/.test(blogNow().join()), blogNow().join('\n'))
  const given = await undo(plan(''), done.record ?? '', own)
  assert.deepEqual(given.failed, [], JSON.stringify(given))
  // the system marks links in comments that come by its interface
  assert.deepEqual(
    blogNow()
      .map((line) => line.replaceAll(' rel="nofollow ugc"', ''))
      .sort(),
    before.sort(),
  )
  const file = /[^|]*chart[^|\n]*\.pdf/.exec(
    blog.sql("select meta_value from wp_postmeta where meta_key = '_wp_attached_file'"),
  )?.[0]
  const bytes = new Uint8Array(await (await fetch(`${blog.address}wp-content/uploads/${file ?? ''}`)).arrayBuffer())
  assert.deepEqual(bytes, picture)
})

const forumNow = () =>
  forum
    .sql(
      `select concat_ws('|', 'c', c.name, p.name, c.description, c.is_closed, c.prune_replied_after, c.css_class, c.require_threads_approval) from misago_categories_category c left join misago_categories_category p on p.id = c.parent_id order by 1;
       select concat_ws('|', 'r', r.name, c.name, s.name) from misago_categories_rolecategoryacl a join misago_acl_role r on r.id = a.role_id join misago_categories_category c on c.id = a.category_id join misago_categories_categoryrole s on s.id = a.category_role_id order by 1;
       select concat_ws('|', 'g', name, permissions) from misago_acl_role order by 1;
       select concat_ws('|', 'u', u.username, u.email, u.title, (select string_agg(r.name, ',' order by r.name) from misago_users_user_roles m join misago_acl_role r on r.id = m.role_id where m.user_id = u.id)) from misago_users_user u order by 1;`,
    )
    .trim()
    .split('\n')

test('a real forum: group, member and forum with settings and access are given back as they were', async () => {
  const own = { ...(await ownFolders(root)), confirm: false, systems: [...builtIn] }
  await hostsLogin(own.logins, forum.address)
  const plan = watchersOnMisago(forum.address)
  await settle(plan, own)
  await asOwner<MisagoSession, unknown>(plan, own, async (session) => {
    const sent = async (place: string, changes: object) => {
      const { refused } = await session.send(place, changes as never, 'blank')
      assert.equal(refused, undefined, place)
    }
    await sent('permissions/new/', { name: 'Crew', 'misago.threads.permissions.polls-can_start_polls': '1' })
    await sent('categories/new/', {
      name: 'Boats',
      new_parent: '2',
      description: 'What floats',
      css_class: 'boats',
      prune_replied_after: '90',
      require_threads_approval: '1',
      is_closed: '1',
    })
    await sent('users/new/', {
      username: 'whelk',
      email: 'whelk@quay.example',
      new_password: 'a-whelk-of-a-time',
      title: 'Old hand',
      roles: ['1'],
      rank: '2',
    })
  })
  const id = (sql: string) => forum.sql(sql).trim()
  const [crew, boats, whelk] = [
    id("select id from misago_acl_role where name = 'Crew'"),
    id("select id from misago_categories_category where name = 'Boats'"),
    id("select id from misago_users_user where username = 'whelk'"),
  ]
  await asOwner<MisagoSession, unknown>(plan, own, async (session) => {
    await session.send(`permissions/categories/${crew}/`, { [`${boats}-role`]: '4' })
    await session.send(`users/edit/${whelk}/`, { roles: ['1', crew] })
  })
  const before = forumNow()
  assert.ok(
    before.some((line) => line.startsWith('r|Crew|Boats')),
    before.join('\n'),
  )
  const gone = { ...plan, gone: { forums: ['Boats'], groups: ['Crew'], members: ['whelk'] } }
  const done = await settle(gone, { ...own, inUse: true })
  assert.deepEqual(done.failed, [])
  assert.ok(!forumNow().some((line) => /Boats|Crew|whelk/.test(line)))
  const { failed, again } = await undo(plan, done.record ?? '', own)
  assert.deepEqual([failed, [...again].sort()], [[], ['forums/Boats', 'groups/Crew', 'members/whelk']])
  assert.deepEqual(forumNow(), before)
  assert.ok(own.logins.find(forum.address, 'whelk')?.password instanceof Secret)
  const { checks } = await confirm(plan, own)
  assert.ok(checks.length > 0)
})
