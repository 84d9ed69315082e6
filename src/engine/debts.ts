import type { Work } from './work.js'
import { carry } from './carrying/carry.js'
import type { RunRecord } from './keeping.js'
import type { Run } from './run.js'

/** A debt stands in the state and in the journal before the step that makes it is sent. */
export async function owe(run: Run, record: RunRecord, debt: string): Promise<void> {
  await run.state.owe(debt)
  record.journal({ event: 'owed', debt })
}

export async function pay(run: Run, record: RunRecord, debt: string): Promise<void> {
  if (!run.state.debts.includes(debt)) return
  await run.state.paid(debt)
  record.journal({ event: 'paid', debt })
}

/** Pays what no step of this run has paid, also from an earlier run that was stopped in between. */
export async function payDebts({ run, session, record }: Work): Promise<void> {
  for (const debt of run.state.debts) {
    const step = run.site.system.debts?.[debt]?.()
    if (!step) continue
    await carry([step], {
      session,
      known: { ids: new Map(), addresses: new Map() },
      secrets: {},
      before: (carrier) => {
        run.account.tell({ is: 'sent', carrier: carrier.name, refs: [] })
        record.journal({ event: 'begun', carrier: carrier.name, debt })
      },
      after: async (carrier, _load, [outcome]) => {
        if (outcome?.refused === undefined) await pay(run, record, debt)
        else record.journal({ event: 'refused', carrier: carrier.name, debt, why: outcome.refused })
      },
    })
  }
}
