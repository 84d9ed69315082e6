import { z } from 'zod'
import type { PloneSession } from './session.js'

const token = z
  .union([z.string(), z.object({ token: z.string() }).transform((one) => one.token)])
  .nullish()
  .transform((one) => one ?? '')
const text = z
  .string()
  .nullish()
  .transform((one) => one ?? '')

const shapes = {
  site: z.object({
    site_title: text,
    site_logo: text,
    site_favicon: text,
    robots_txt: text,
    display_publication_date_in_byline: z.boolean().nullish(),
  }),
  language: z.object({ default_language: token }),
  'date-and-time': z.object({ portal_timezone: token, first_weekday: token }),
  mail: z.object({
    smtp_host: text,
    smtp_port: z.number().nullish(),
    smtp_userid: text,
    email_from_name: text,
    email_from_address: text,
  }),
  security: z.object({ enable_self_reg: z.boolean(), enable_user_pwd_choice: z.boolean() }),
  discussion: z.object({
    globally_enabled: z.boolean(),
    anonymous_comments: z.boolean(),
    moderation_enabled: z.boolean(),
  }),
} as const
/** The panels of settings that are read. */
export type PanelName = keyof typeof shapes

export const panelPlace = (name: PanelName): string => `@controlpanels/${name}`

const panel =
  <T>(name: PanelName, shape: z.ZodType<T>) =>
  async (session: PloneSession): Promise<T> =>
    (await session.document(panelPlace(name), z.object({ data: shape }), `the settings “${name}”`)).data

/** Panels of settings, as they stand. */
export const panels = {
  site: panel('site', shapes.site),
  language: panel('language', shapes.language),
  clock: panel('date-and-time', shapes['date-and-time']),
  mail: panel('mail', shapes.mail),
  security: panel('security', shapes.security),
  comments: panel('discussion', shapes.discussion),
} as const

const rootSchema = z.object({
  '@id': z.string(),
  UID: z.string(),
  title: text,
  description: text,
  layout: text,
  text: z.object({ data: z.string() }).nullish(),
})
/** The site itself. */
export const rootOf = (session: PloneSession) => session.document('', rootSchema, 'the site itself')

const DATES = 'Products.CMFPlone.i18nl10n.override_dateformat'
export const DATE_RECORDS = {
  on: `${DATES}.Enabled`,
  long: `${DATES}.date_format_long`,
  short: `${DATES}.date_format_short`,
  time: `${DATES}.time_format`,
} as const
/** One of the settings that stand in no panel. */
export const recordOf = <T>(session: PloneSession, name: string, schema: z.ZodType<T>): Promise<T> =>
  session.document(`@registry/${name}`, schema, 'a setting')
