import { test } from 'node:test'
import { builtIn } from 'unpack'
import { folder } from '../help/folders.js'
import { labBlog } from '../help/lab.js'
import { keepersLogin, labContent } from '../help/lab-content.js'
import { hostsLogin, labForum } from '../help/lab-forum.js'
import { blogGround, contentGround, forumGround, shopGround } from '../help/lab-grounds.js'
import { labShop } from '../help/lab-shop.js'
import { handsOn } from '../help/shop-hands.js'
import { ownFolders } from '../help/sites.js'
import { playAll } from '../lives/sequences.js'

const root = folder()

test('people and runs in turn on a real WordPress', async (t) => {
  const blog = await labBlog('sequences')
  await playAll(t, blogGround(blog, { systems: builtIn, ...(await ownFolders(root)) }))
})

test('people and runs in turn on a real Plone', async (t) => {
  const content = await labContent('sequences')
  const options = { systems: builtIn, ...(await ownFolders(root)) }
  const address = content.next()
  await keepersLogin(options.logins, address)
  await playAll(t, contentGround(content, address, options))
})

test('people and runs in turn on a real Misago', async (t) => {
  const forum = await labForum('sequences')
  const options = { systems: builtIn, ...(await ownFolders(root)) }
  await hostsLogin(options.logins, forum.address)
  await playAll(t, forumGround(forum, options))
})

test('people and runs in turn on a real EverShop', async (t) => {
  const shop = await labShop('sequences')
  await playAll(t, shopGround(shop, await handsOn(shop, root).fresh()))
})
