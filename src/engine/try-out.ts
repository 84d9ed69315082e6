import type { Inventory } from '../core/areas/index.js'
import { UnpackError } from '../core/errors.js'
import { foundAt } from '../core/inventory.js'
import type { Check } from '../core/report/report.js'
import { postAddressParts } from '../core/text/post-address.js'
import type { SignedIn } from '../systems/system.js'
import { lookFailure } from './error-of.js'
import type { RunRecord } from './record.js'
import type { Run } from './run.js'
import { takeAwayLeft, withMark } from './trial-marks.js'
import { tryForums } from './try-forums.js'
import { againstPlan } from './against-plan.js'
import { takeStock } from './stock.js'

type Post = NonNullable<Inventory['posts']>[number]
type Came = 'shown' | 'held' | 'refused'

const words: { [came in Came]: string } = {
  shown: 'it was shown at once',
  held: 'it waits for the owner',
  refused: 'it was not taken',
}

/**
 * Tries the rules out where looking is not enough: a visitor comments, and what was written is taken away again; a post's
 * old address is followed. Every writing is journalled.
 * @throws UnpackError `trial-in-use`
 */
export async function tryOut(run: Run, record: RunRecord): Promise<Check[]> {
  const session = await run.logins.signIn()
  try {
    await takeAwayLeft(run, session, record)
    const stock = await takeStock(run, session)
    const { inventory } = stock
    const { others } = againstPlan(run, stock)
    if (others.length > 0) throw UnpackError.of('trial-in-use', { address: run.site.home, others })
    const planned = (run.baseline.posts ?? []).flatMap(({ slug, state }) =>
      state === 'draft' ? [] : (foundAt(inventory, `posts/${slug}`) ?? []),
    ) as Post[]
    const post = planned.find(({ hidden, address }) => !hidden && address !== undefined)
    return [
      ...(await tryForums(run, session, stock, record)),
      ...(post ? [...(await comments(run, session, post, record)), ...(await oldAddress(run, post))] : []),
    ]
  } finally {
    await session.signOut().catch(() => undefined)
  }
}

/** What the rules say should come of a comment, with so many links in it. */
function expected({ comments }: Run['baseline'], links: number): Came | undefined {
  if (comments?.allowed === false) return 'refused'
  const { approve, linksBeforeApproval: most } = comments ?? {}
  if (approve === 'all' || approve === 'newcomers') return 'held'
  if (most !== undefined && links > most) return 'held'
  return approve === 'none' ? 'shown' : undefined
}

async function comments(run: Run, session: SignedIn, post: Post, record: RunRecord): Promise<Check[]> {
  const { trial } = run.site.system
  const { approve, linksBeforeApproval: most } = run.baseline.comments ?? {}
  if (!trial) return []
  const tries = [
    { name: 'a visitor’s comment', links: 0 },
    ...(approve === 'none' && most !== undefined
      ? [{ name: `a comment with ${most + 1} links`, links: most + 1 }]
      : []),
  ]
  const checks: Check[] = []
  for (const { name, links } of tries) {
    const should = expected(run.baseline, links)
    if (should === undefined) continue
    const more = Array.from({ length: links }, (_, index) => `https://trial${index}.example/`)
    const what = `${name} ${should === 'held' ? 'waits for the owner' : should === 'shown' ? 'is shown at once' : 'is not taken'}`
    const check = await withMark(run, session, record, 'commenting', async (mark): Promise<Check> => {
      const text = [`Unpack tries the rules for comments (${mark}), and takes this away again.`, ...more].join(' ')
      try {
        const visitor = run.site.visitor()
        const came = await trial.comment(visitor, await visitor.get(post.address ?? ''), text)
        return { name: what, as: 'visitor', ok: came === should, detail: words[came] }
      } catch (error) {
        return { name: what, as: 'visitor', ok: false, detail: lookFailure(error) }
      }
    })
    checks.push(check)
  }
  return checks
}

/** Whether the address that a post would have had as shipped leads on to the one it has. */
async function oldAddress(run: Run, post: Post): Promise<Check[]> {
  const before = run.site.system.ships(run.baseline).publishing?.[0]?.item.postAddress
  const { slug, date = '' } = post.item
  const now = run.baseline.publishing?.postAddress
  if (before === undefined || now === undefined || before === now || !run.site.system.leadsOn?.(before, now)) return []
  const [year = '', month = '', day = ''] = date.slice(0, 10).split('-')
  const values: { readonly [part: string]: string } = { slug, year, month, day }
  const pieces = (postAddressParts(before) ?? []).map((piece) =>
    typeof piece === 'string' ? piece : values[piece.part],
  )
  if (pieces.length === 0 || pieces.some((piece) => piece === undefined)) return []
  const place = pieces.join('')
  const answer = await run.site.visitor().get(place)
  return [
    {
      name: 'an old address of a post leads on to its new one',
      as: 'visitor',
      ok: answer.status === 200 && answer.url === post.address,
      detail: `${place} leads to ${answer.url} (HTTP ${answer.status})`,
    },
  ]
}
