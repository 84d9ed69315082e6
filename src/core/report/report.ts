import { z } from 'zod'
import { outcomes } from './outcome.js'

/*
 * The documents that leave Unpack: one definition each for writing, for programs that read them, and for docs/schemas.
 */
const remark = z.strictObject({
  ref: z.string().describe('An item (pages/visit) or a key (site.timezone)'),
  text: z.string(),
})
const value = z.json().describe('Plain data; null stands for nothing')

/** One check, as documents have it. */
export const checkSchema = z.strictObject({
  name: z.string().describe('What was looked at'),
  as: z.string().describe('visitor, owner, or member and a user name'),
  outcome: z.enum(outcomes).describe('What could not be looked at has neither passed nor failed'),
  detail: z
    .string()
    .describe('What was seen, where it was not as expected; why it was not looked at; else where it was'),
})
/** One check: what was looked at, by whom, and what came of it. */
export type Check = z.output<typeof checkSchema>

/** What one pair of eyes found at one thing, as documents have it. */
export const eyesSchema = z.strictObject({
  at: z.string().describe('What was looked at: a forum as category/title'),
  as: z.string().describe('visitor, owner, member and a user name; or who nobody stands for'),
  planned: z.array(z.string()).describe('What they are to be able to do'),
  seen: z.array(z.string()).nullable().describe('What they can do; null where nobody could look'),
  why: z.string().optional().describe('Why nobody could look'),
  outcome: z.enum(outcomes),
})
/** What one pair of eyes found at one thing. */
export type EyesCell = z.output<typeof eyesSchema>

const systemSchema = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    version: z.string().describe('Empty where it is not told'),
    proven: z.boolean().nullable().describe('null where the version is only told after signing in'),
  })
  .nullable()
/** The system as documents name it. */
export type SystemLine = z.output<typeof systemSchema>

/** What `unpack survey --json` prints. */
export const surveyDocument = z
  .strictObject({
    address: z.string().describe('Where the site is, after redirects'),
    standing: z.enum(['nothing', 'blank', 'placeholder', 'first-run', 'fresh', 'in-use', 'unknown']),
    safe: z.boolean().describe('Whether settling may go on'),
    system: systemSchema,
    reasons: z.array(z.string()),
    variants: z
      .array(z.strictObject({ address: z.string(), says: z.string(), leadsTo: z.string().optional() }))
      .describe('The same host by http and https, with and without www'),
    requests: z.number(),
  })
  .meta({ title: 'unpack survey --json' })

const differenceSchema = z.strictObject({
  area: z.string(),
  ref: z.string(),
  is: z.enum(['missing', 'different', 'left over']),
  found: value,
  wanted: value,
  text: z.string(),
})
/** A difference, as documents have it. */
export type DifferenceLine = z.output<typeof differenceSchema>

/** What `unpack compare --json` prints. */
export const compareDocument = z
  .strictObject({
    system: systemSchema,
    differences: z.array(differenceSchema).describe('In the order in which they would be settled'),
    kept: z.array(remark),
    byHand: z.array(remark),
    unseen: z.array(remark),
    never: z.array(remark),
    notes: z.array(remark),
    others: z.array(z.string()).describe('Refs that make it a site in use'),
    extras: z.array(remark).describe('Add-ons and themes that neither came with the system nor are planned: they stay'),
    access: z
      .array(
        z.strictObject({
          forums: z.array(z.string()).describe('category/title, of forums that are alike'),
          beyond: z.array(z.strictObject({ who: z.string(), may: z.array(z.string()) })),
        }),
      )
      .describe('Who is to be able to do what, beyond those whose rights they have anyway'),
    expected: z.boolean().describe('True in front of a first-run form: what the system ships is expected, not seen'),
  })
  .meta({ title: 'unpack compare --json' })

const failedSchema = z.strictObject({ ref: z.string(), code: z.string(), text: z.string() })

/** What `unpack settle --json` prints. */
export const settleDocument = z
  .strictObject({
    settled: z.array(z.string()).describe('Refs that are as planned now'),
    failed: z.array(failedSchema),
    kept: z.array(remark),
    writes: z.number().describe('Requests that could change the site, log-ins apart'),
    site: z.strictObject({ address: z.string(), dashboard: z.string(), username: z.string() }),
    checks: z.array(checkSchema),
    eyes: z.array(eyesSchema).describe('What each may do where, as visitor, member and owner found it'),
    record: z.string().nullable().describe("The record's folder; null if nothing was begun"),
    differences: z.array(differenceSchema).describe('What was shown before'),
    byHand: z.array(remark),
    never: z.array(remark),
    extras: z.array(remark).describe('Add-ons and themes that neither came with the system nor are planned: they stay'),
    notes: z.array(remark),
    requests: z.number(),
  })
  .meta({ title: 'unpack settle --json' })

/** What `unpack confirm --json` prints. */
export const confirmDocument = z
  .strictObject({
    checks: z.array(checkSchema),
    eyes: z.array(eyesSchema).describe('What each may do where, as visitor, member and owner found it'),
    passed: z.number(),
    failed: z.number(),
    notLookedAt: z.number(),
    notes: z.array(remark).describe('What is worth knowing of the public site beside the plan'),
    record: z.string(),
  })
  .meta({ title: 'unpack confirm --json' })

/** What any command prints with --json where it failed. */
export const errorDocument = z
  .strictObject({
    error: z.strictObject({
      code: z.string(),
      message: z.string(),
      at: z.string().optional(),
      next: z.string().optional(),
      lines: z.array(z.string()).optional(),
    }),
  })
  .meta({ title: 'Any command with --json, where it failed' })

/** The document `report.json`. */
export const reportDocument = z
  .strictObject({
    report: z.literal(1).describe('The version of this format'),
    of: z.enum(['settle', 'confirm']),
    address: z.string(),
    title: z.string().describe('What the site is called; empty where the baseline does not say'),
    dashboard: z.string().describe('Where its owner signs in'),
    system: systemSchema,
    started: z.string().describe('ISO 8601, UTC'),
    ended: z.string(),
    stood: z.strictObject({ standing: z.string(), reasons: z.array(z.string()) }).describe('What stood there before'),
    changed: z.array(
      z.strictObject({
        area: z.string(),
        ref: z.string(),
        what: z.string().describe('What an owner calls the item'),
        is: z.enum(['missing', 'different']),
        fields: z.array(
          z.strictObject({
            name: z.string(),
            found: z.string(),
            wanted: z.string(),
            words: z
              .array(z.strictObject({ is: z.enum(['same', 'gone', 'new']), text: z.string() }))
              .optional()
              .describe('What became of a text, word by word; what stayed is shortened'),
          }),
        ),
        outcome: z.enum(['settled', 'failed', 'not chosen']),
        why: z.string().optional(),
      }),
    ),
    removed: z.array(
      z.strictObject({
        ref: z.string(),
        what: z.string(),
        why: z.string(),
        outcome: z.enum(['settled', 'failed', 'not chosen']),
        copy: z.string().optional().describe('A file in the record'),
      }),
    ),
    kept: z.array(remark),
    byHand: z.array(remark),
    never: z.array(remark),
    extras: z.array(remark).describe('Add-ons and themes that neither came with the system nor are planned: they stay'),
    notes: z.array(remark),
    checks: z.array(checkSchema),
    eyes: z.array(eyesSchema).describe('What each may do where, as visitor, member and owner found it'),
    requests: z.number(),
    writes: z.number(),
  })
  .meta({ title: "report.json, a run's account" })
/** A run's account. */
export type Report = z.output<typeof reportDocument>

/** A line of `journal.jsonl`. */
export const journalLine = z
  .strictObject({
    journal: z.literal(1).describe('The version of this format'),
    at: z.string().describe('ISO 8601, UTC'),
    event: z.enum(['opened', 'site', 'begun', 'done', 'refused', 'lost', 'read back', 'owed', 'paid', 'closed']),
    whose: z
      .array(z.string())
      .optional()
      .describe('What tells the site from others, as short digests: of its accounts, and when each was made'),
    units: z
      .record(z.string(), z.string())
      .optional()
      .describe('The units in which the site counted when it was read, such as `store.currency`: `GBP`'),
    debt: z.string().optional().describe('The effect that no reading shows, and that another step undoes'),
    carrier: z.string().optional(),
    ref: z.string().optional(),
    is: z.enum(['missing', 'different', 'left over']).optional(),
    was: value.optional().describe('What stood there before, field by field'),
    expected: z.boolean().optional().describe('True where `was` is what the system ships, not what was seen'),
    wanted: value.optional(),
    copy: z.string().optional().describe('The file in the record that holds the removed item'),
    why: z.string().optional(),
    ok: z.boolean().optional(),
    id: z.union([z.string(), z.number()]).optional(),
  })
  .meta({ title: "A line of journal.jsonl, a run's journal" })
/** A line of a run's journal. */
export type JournalLine = z.output<typeof journalLine>
