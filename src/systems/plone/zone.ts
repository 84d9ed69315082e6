import { DateTime } from 'luxon'

/** A time on the site's own clock as a moment, with the offset that holds there on that day. */
export const momentOf = (local: string, zone: string): string =>
  DateTime.fromISO(local, { zone }).toISO({ suppressMilliseconds: true }) ?? local

/** A moment on the site's own clock: `2026-06-13T11:00`. */
export const localOf = (moment: string | null | undefined, zone: string): string =>
  moment ? DateTime.fromISO(moment, { zone }).toFormat("yyyy-MM-dd'T'HH:mm") : ''
