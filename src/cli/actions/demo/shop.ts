import { standInShop } from '../../../../stand-ins/shop/server/index.js'
import { Stage } from './stage.js'

/** The shop of the Saltmarsh Seed Library, from its set-up and the extras that this pushes. */
export async function shop(keep: boolean, folder: string): Promise<{ address: string; close(): Promise<unknown> }> {
  const host = standInShop()
  const address = await host.listen(4104).catch(() => host.listen(0))
  const stage = await Stage.open('saltmarsh-seed-library', address, keep, folder)
  await stage.survey('The host has put a shop there: its set-up waits, with questions and with extras ticked')
  await stage.play(
    {},
    'Compare: the baseline and what the system ships',
    'Confirm: categories, products and their prices as a visitor, the dashboard as the owner',
    [
      'npx unpack demo shop --keep, then look around and fill a cart',
      'npx unpack confirm with that baseline and --try: a stranger orders, from cart to thank-you',
      'npx unpack stand-in shop, and in a second terminal: npx unpack compare with a shop of your own planning',
    ],
  )
  return { address, close: () => host.close() }
}
