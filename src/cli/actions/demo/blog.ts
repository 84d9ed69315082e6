import { standInBlog } from '../../../../stand-ins/blog/server/index.js'
import { Stage } from './stage.js'

/** The blog of the Lantern Street Repair Café, from the host's placeholder on. */
export async function blog(keep: boolean, folder: string): Promise<{ address: string; close(): Promise<unknown> }> {
  const host = standInBlog({ standing: 'placeholder' })
  const address = await host.listen(4101).catch(() => host.listen(0))
  const stage = await Stage.open('repair-cafe', address, keep, folder)
  await stage.survey('The host has not begun yet: a placeholder stands at the address')
  host.install()
  await stage.survey('The host has put a blog there: its first-run form waits')
  await stage.play(
    {},
    'Compare: the baseline and what the system ships',
    'Confirm: with fresh eyes, as a visitor and as the owner',
    [
      'npx unpack demo --keep, then look around on the site',
      'npx unpack demo forum: members, closed rooms, and a look through everybody’s eyes',
      'npx unpack stand-in blog, and in a second terminal: npx unpack settle with that baseline, changed to your liking',
      'npx unpack survey with the address of a site of your own: it only looks',
    ],
  )
  return { address, close: () => host.close() }
}
