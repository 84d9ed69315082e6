import { inWords } from '../core/access/onlookers.js'
import { areaNames, areaOf, type Inventory } from '../core/areas/index.js'
import type { Comparison } from '../core/compare.js'
import { foundAt } from '../core/inventory.js'
import type { EyesQuestion } from '../core/looking.js'
import { nameIn } from '../core/ref.js'
import { lookedAt } from '../core/report/outcome.js'
import type { Check, EyesCell } from '../core/report/report.js'
import { onSystem } from '../systems/abilities.js'
import type { Watched } from './watched.js'
import { lookFailure } from './error-of.js'
import type { ManyEyes } from './many-eyes.js'
import type { Run } from './run.js'

/** Everything that some may do and others not, of the areas that say so. */
export const watched = ({ baseline, site }: Run, { settled }: Comparison, inventory: Inventory): Watched[] =>
  areaNames.flatMap((area): Watched[] => {
    const { eyes: plan } = areaOf(area)
    const { eyes: way } = onSystem(site.system, area) ?? {}
    if (!plan || !way) return []
    const table = plan.table(settled[area] ?? [], baseline)
    const things = table.flatMap(({ at }) => {
      const found = foundAt(inventory, at)
      const address = found?.address === undefined ? undefined : site.publicly(found.address)
      return found ? [{ ref: at, id: found.id, address }] : []
    })
    return table.length === 0 ? [] : [{ area, plan, way, table, things }]
  })

interface Seen {
  checks: Check[]
  cells: EyesCell[]
}

/** Looks through everybody’s eyes, and asks what the baseline asks on top; a wrong cell fails its check, and is named. */
export async function lookThroughEyes(run: Run, one: Watched): Promise<Seen> {
  const [seen, asked] = await Promise.all([
    lookAtTable(run.eyes, one),
    Promise.all((one.plan.questions?.(run.baseline) ?? []).map((question) => ask(run.eyes, question, one))),
  ])
  return { checks: [...seen.checks, ...asked], cells: seen.cells }
}

async function ask(eyes: ManyEyes, { name, as, at, action, should }: EyesQuestion, one: Watched): Promise<Check> {
  try {
    const may = (await eyes.look(as, one)).get(at)?.[action] ?? false
    return { name, as, outcome: lookedAt(may === should), detail: may ? `may ${action}` : 'turned away' }
  } catch (error) {
    return { name, as, outcome: 'failed', detail: lookFailure(error) }
  }
}

async function lookAtTable(eyes: ManyEyes, one: Watched): Promise<Seen> {
  const { onlookers, unseen } = await eyes.onlookers()
  const looked = await Promise.all(
    onlookers.map(async (onlooker) => {
      try {
        return { onlooker, seen: await eyes.look(onlooker.as, one) }
      } catch (error) {
        return { onlooker, failure: lookFailure(error) }
      }
    }),
  )
  const checks: Check[] = []
  const cells: EyesCell[] = []
  const { actions } = one.plan
  for (const { at, may } of one.table) {
    const place = nameIn(at)
    for (const { onlooker, seen, failure } of looked) {
      const planned = actions.filter((action) => onlooker.of.some((subject) => may[action]?.includes(subject)))
      const here = seen?.get(at)
      const can = actions.filter((action) => here?.[action])
      const wrong = actions.filter((action) => planned.includes(action) !== can.includes(action))
      const ok = seen !== undefined && wrong.length === 0
      cells.push({ at: place, as: onlooker.as, planned, seen: seen === undefined ? null : can, outcome: lookedAt(ok) })
      checks.push({
        name: `“${place}” is as open to ${inWords(onlooker.as)} as planned`,
        as: onlooker.as,
        outcome: lookedAt(ok),
        detail: failure ?? (ok ? mayText(can) : wrong.map((action) => wrongText(action, can)).join('; ')),
      })
    }
    for (const { of, why } of unseen) {
      const planned = actions.filter((action) => may[action]?.includes(of))
      cells.push({ at: place, as: of, planned, seen: null, why, outcome: 'not looked at' })
    }
  }
  for (const { of, why } of unseen)
    checks.push({ name: `what “${of}” may do is as planned`, as: of, outcome: 'not looked at', detail: why })
  return { checks, cells }
}

const mayText = (can: readonly string[]): string =>
  can.length === 0 ? 'it is not to be seen' : `may ${can.join(', ')}`
const wrongText = (action: string, can: readonly string[]): string =>
  can.includes(action) ? `may ${action}, and should not` : `can’t ${action}, and should`
