import assert from 'node:assert/strict'
import { test } from 'node:test'
import { chooseAll, settle, type AreaName, type Choice } from 'unpack'
import { shippedWords } from '../../src/systems/wordpress/shipped-texts.js'
import { tagOf } from '../../src/systems/wordpress/locale.js'
import { folder } from '../help/folders.js'
import { labBlog, shippedTheme } from '../help/lab.js'
import { planned } from '../help/plan.js'
import { ownFolders } from '../help/sites.js'

/*
 * What ships goes in every language, whatever its letters are. Eight by themselves; all that the system has with
 * UNPACK_ALL_LANGUAGES=1.
 */

const eight = ['ar', 'fa-IR', 'he-IL', 'ja', 'ko-KR', 'ru-RU', 'th', 'bs-BA']
const all = shippedWords.map(({ locale }) => tagOf(locale === 'en_US' ? '' : locale))
const root = folder()
const blog = await labBlog('languages')

const rest = `shipped: { posts: remove, pages: remove, comments: remove, categories: remove }
categories: [{ name: Sightings, slug: sightings, default: true }]
`

for (const language of process.env.UNPACK_ALL_LANGUAGES === '1' ? all : ['en-US', ...eight])
  test(`after a first run in ${language} the same goes as in English`, async () => {
    await blog.reset()
    const owner = 'username: marlow, email: marlow@quay.example'
    const plan = planned(blog.address, rest, {}, owner, `, language: ${language}`)
    // asked once, before anything is sent: what was shown then is what is found afterwards
    const choose = (choice: Choice) => (choice.late ? [] : chooseAll(choice))
    const { comparison, failed } = await settle(plan, { ...(await ownFolders(root)), confirm: false, choose })
    const gone = comparison.differences.filter(({ is }) => is === 'left over').map(({ area }) => area)
    const shipped: AreaName[] = ['categories', 'comments', 'pages', 'pages', 'posts']
    assert.deepEqual([failed, gone.sort()], [[], shipped])
    const rows = `select concat(post_type, ' ', post_name) from wp_posts where post_type in ('post', 'page') and post_status <> 'auto-draft'`
    const left = `${blog.sql(rows)}${blog.sql('select slug from wp_terms')}${blog.sql('select comment_ID from wp_comments')}`
    assert.match(left, new RegExp(`^sightings(?:\\n(?:${shippedTheme}|header|footer))*\\n$`))
  })
