import { spawn } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { builtIn, type Baseline, type System } from 'unpack'
import { baselineFile } from '../../src/disk/baseline-file.js'
import { troubled, type TroubledSite } from '../../stand-ins/faults/proxy.js'
import { labBlog } from '../help/lab.js'
import { hostsLogin, labForum } from '../help/lab-forum.js'
import { root as repository } from '../help/root.js'
import { ownFolders } from '../help/sites.js'
import { leftOnMisago } from '../help/watchers.js'
import { chance } from './chance.js'
import { killed } from './killed.js'
import { readingsAbout, type Part, type Ask } from './parts.js'
import { readings } from './readings.js'
import { repeated, type World } from './world.js'
import type { Tally } from './tally.js'

interface Real {
  address: string
  reset(): Promise<void>
  sql(text: string): string
  stop(): void
}

/** A real site behind the server that troubles; one machine-wide, and fresh for each run. */
async function realWorld(
  folder: string,
  real: Real,
  proxy: TroubledSite,
  of: { kind: 'blog' | 'forum'; id: string; demo: string; leave: string[]; dump: string; names: string },
): Promise<World> {
  await real.reset()
  const folders = await ownFolders(folder)
  if (of.kind === 'forum') await hostsLogin(folders.logins, real.address)
  const plan = join(repository, 'demo', of.demo, 'baseline.yaml')
  const baseline: Baseline = baselineFile(plan, real.address)
  const leave = [...baseline.leave, ...of.leave]
  const system = builtIn.find(({ id }) => id === of.id) as System
  const rows = (sql: string) =>
    real
      .sql(sql)
      .trim()
      .split('\n')
      .filter((line) => line !== '')
  return {
    name: `real ${of.kind}`,
    address: real.address,
    proxy,
    system,
    plan: { ...baseline, leave },
    options: {
      ...folders,
      confirm: false,
      resolve: () => ({ host: '127.0.0.1', port: proxy.port }),
    },
    spawn: () => {
      const told = join(folders.state, '..', 'told.json')
      const { state, records, logins } = folders
      writeFileSync(
        told,
        JSON.stringify({ plan, address: real.address, port: proxy.port, state, records, logins: logins.file, leave }),
      )
      return spawn(process.execPath, [join(repository, 'dist/test/trust/lab-child.js'), told], { stdio: 'ignore' })
    },
    state: () => rows(of.dump),
    lost: () => [],
    twice: () => repeated(rows(of.names)),
    letIn: () => [],
    close: () => Promise.resolve(),
  }
}

const ofBlog = {
  kind: 'blog' as const,
  id: 'wordpress',
  demo: 'repair-cafe',
  leave: [],
  dump: `select concat_ws('|', post_type, post_name, post_title, post_status, md5(post_content), menu_order) from wp_posts where post_type in ('post', 'page', 'attachment') and post_status <> 'auto-draft' order by post_type, post_name;
    select concat_ws('|', taxonomy, slug, name, description, count) from wp_terms join wp_term_taxonomy using (term_id) order by taxonomy, slug;
    select concat_ws('|', option_name, option_value) from wp_options where option_name in ('blogname', 'blogdescription', 'timezone_string', 'posts_per_page', 'permalink_structure', 'show_on_front', 'template', 'stylesheet', 'users_can_register', 'blog_public', 'admin_email', 'comment_moderation', 'active_plugins') order by option_name;
    select concat_ws('|', user_login, user_email, display_name) from wp_users order by user_login;
    select count(*) from wp_posts where post_type = 'nav_menu_item';`,
  names: `select concat(post_type, ' ', post_title) from wp_posts where post_type in ('post', 'page', 'attachment') and post_status in ('publish', 'draft', 'inherit', 'private');
    select concat(taxonomy, ' ', name) from wp_terms join wp_term_taxonomy using (term_id)`,
}
const ofForum = {
  kind: 'forum' as const,
  id: 'misago',
  demo: 'tidepool-watchers',
  leave: [...leftOnMisago],
  dump: `select concat_ws('|', c.name, p.name, c.description, c.is_closed) from misago_categories_category c left join misago_categories_category p on p.id = c.parent_id order by 1;
    select concat_ws('|', r.name, c.name, s.name) from misago_categories_rolecategoryacl a join misago_acl_role r on r.id = a.role_id join misago_categories_category c on c.id = a.category_id join misago_categories_categoryrole s on s.id = a.category_role_id order by 1;
    select concat_ws('|', u.username, u.email, (select string_agg(r.name, ',' order by r.name) from misago_users_user_roles m join misago_acl_role r on r.id = m.role_id where m.user_id = u.id)) from misago_users_user u order by 1;`,
  names: `select name from misago_categories_category; select 'role ' || name from misago_acl_role; select 'user ' || username from misago_users_user`,
}

type Of = typeof ofBlog | typeof ofForum
const nameOf = (of: Of): string => `a real ${of.id === 'wordpress' ? 'WordPress' : 'Misago'}`

/** What is tried on a real site, which is started for it and stopped behind it. */
const onReal =
  (of: Of, start: () => Promise<Real>, act: (make: () => Promise<World>, ask: Ask) => Promise<Tally>) =>
  async (ask: Ask): Promise<Tally> => {
    const real = await start()
    const proxy = await troubled(Number(new URL(real.address).port))
    try {
      return await act(() => realWorld(ask.folder, real, proxy, of), ask)
    } finally {
      await proxy.close()
      real.stop()
    }
  }

const partsOf = (of: Of, start: (name: string) => Promise<Real>): Part[] => [
  {
    name: `killed, real ${of.kind}`,
    usual: 20,
    about: `the demo’s plan on ${nameOf(of)}, killed at points by chance; the end is compared in its database`,
    run: onReal(
      of,
      () => start('trust-killed'),
      (make, { folder, seed, most }) => killed(make, '', folder, chance(seed), most),
    ),
  },
  {
    name: `readings, real ${of.kind}`,
    usual: 100,
    about: readingsAbout(nameOf(of)),
    run: onReal(
      of,
      () => start('trust-readings'),
      (make, { seed, most }) => readings(make, chance(seed), most),
    ),
  },
]

export const labParts: readonly Part[] = [...partsOf(ofBlog, labBlog), ...partsOf(ofForum, labForum)]
