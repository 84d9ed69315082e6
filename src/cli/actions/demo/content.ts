import { standInContent } from '../../../../stand-ins/content/server/index.js'
import { Secret } from '../../../core/secret.js'
import { Stage } from './stage.js'

/** Whoever looks after the server of this demo; the host has written to the owner. */
const HOSTS = { username: 'keeper', password: 'harbour-light-41' }

/** The content site of the Old Ropewalk Museum, from a server on which it is not made yet. */
export async function content(keep: boolean, folder: string): Promise<{ address: string; close(): Promise<unknown> }> {
  const host = standInContent({ base: '/museum/', keeper: HOSTS })
  const address = await host.listen(4103).catch(() => host.listen(0))
  const stage = await Stage.open('old-ropewalk-museum', address, keep, folder)
  await stage.options.logins.put(address, HOSTS.username, new Secret(HOSTS.password), { temporary: true })
  await stage.survey('The host has a server ready, and has written to the owner with its login: no site is made yet')
  await stage.play(
    {},
    'Compare: the baseline and what a new site brings',
    'Confirm: as a visitor, as members, and as the owner',
    [
      'npx unpack demo content --keep, then look around on the site',
      'npx unpack confirm with that baseline and --try: members work on pages where they may, and where they may not',
      'npx unpack stand-in content, and in a second terminal: npx unpack compare with a site of your own planning',
    ],
  )
  return { address, close: () => host.close() }
}
