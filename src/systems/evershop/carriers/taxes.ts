import { z } from 'zod'
import type { TaxRate } from '../../../core/areas/taxes.js'
import type { IdOf } from '../../later.js'
import type { Carrier } from '../../step.js'
import { carried, type EverShopSession } from '../session.js'
import { know, shopOf } from '../shop.js'
import { numberOf } from '../wire.js'

const made = z.object({ data: z.object({ tax_class_id: z.number(), uuid: z.string() }) })

/** A tax, without what it takes. */
export const taxClasses: Carrier<{ name: string }, EverShopSession> = {
  name: 'taxes',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const sent = await session.write('POST', 'api/tax/classes', { json: load })
    session.shelf.forget('shop')
    if (sent.refused !== undefined) return [sent]
    const { data } = made.parse(sent.data)
    know(session, `taxes/${data.tax_class_id}`, data.uuid, {})
    return [{ id: data.tax_class_id }]
  },
}

/** What a tax takes in a country. Within a tax, no two rates may come at the same place. */
export const taxRates: Carrier<TaxRate & { id: IdOf; name: string }, EverShopSession> = {
  name: 'rates of taxes',
  side: 'dashboard',
  atOnce: 1,
  async carry([load], session) {
    if (!load) return []
    const { id, country, rate, name } = load
    const { taxClasses: classes } = await shopOf(session)
    const rates = classes.items.find(({ taxClassId }) => taxClassId === Number(id))?.rates ?? []
    const own = rates.find((one) => one.country === country && one.province === '*' && one.postcode === '*')
    const last = Math.max(-1, ...rates.map(({ priority }) => priority))
    const json = {
      ...{ name: `${name} ${country}`, country, province: '*', postcode: '*', rate: numberOf(rate), is_compound: 0 },
      priority: own?.priority ?? last + 1,
    }
    const place = own ? `api/tax/rates/${own.uuid}` : `api/tax/classes/${session.uuids.get(`taxes/${id}`) ?? ''}/rates`
    const sent = await session.write(own ? 'PATCH' : 'POST', place, { json })
    session.shelf.forget('shop')
    return [carried(sent)]
  },
}
