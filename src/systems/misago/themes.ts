import type { MisagoSession } from './session.js'

export interface Theme {
  id: number
  name: string
  active: boolean
}

/** The themes that the dashboard lists. */
export async function themesOf(session: MisagoSession): Promise<Theme[]> {
  const $ = await session.screen('themes/')
  return $('tr:has(.item-name)')
    .toArray()
    .map((row) => ({
      id: Number(/(\d+)$/.exec($(row).find('[id^="item-optioms-"]').attr('id') ?? '')?.[1]),
      name: $(row).find('.item-name').text().trim(),
      active: $(row).find('.badge-success').length > 0,
    }))
}
