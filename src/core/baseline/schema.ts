import { z } from 'zod'
import { areaNames, areaOf, checkParts, parts } from '../areas/index.js'
import type { SomeArea } from '../comparing/result.js'
import type { Packages } from '../package.js'
import type { Outline } from '../text/opml.js'
import type { Sample } from '../text/sample.js'
import type { Upload } from '../upload.js'
import { removes } from './goes.js'
import { fileName } from './values.js'

const choice = z.enum(['remove', 'keep'])

/** What areas say of themselves, by their keys in the baseline. */
const byKey = <T>(pick: (area: SomeArea) => T | undefined): Record<string, T> =>
  Object.fromEntries(
    areaNames.map(areaOf).flatMap((area): [string, T][] => {
      const picked = pick(area)
      return picked === undefined ? [] : [[area.key ?? area.name, picked]]
    }),
  )
/** What may be removed of what shipped, unless the file says otherwise. */
const removable: Record<string, string> = byKey<string>(({ shipped }) => shipped)
const named: Record<string, z.ZodOptional<z.ZodType<string[]>>> = byKey<z.ZodOptional<z.ZodType<string[]>>>(
  ({ gone }) => gone?.optional(),
)

/** Areas of programs: what is not planned there is nobody's work. */
const software = areaNames.filter((name) => areaOf(name).software)

const shippedSchema = z
  .union([
    choice,
    z.strictObject(
      Object.fromEntries(
        Object.entries(removable).map(([key, what]) => [
          key,
          choice.optional().describe(`${what} that came with the system`),
        ]),
      ) as Record<string, z.ZodOptional<typeof choice>>,
    ),
  ])
  .default('keep')
  .describe('What happens to what came with the system and was not touched since; left out: keep')

const goneSchema = z
  .strictObject(named)
  .default({})
  .describe('Items that are to go although somebody made or changed them')

const pageCheckSchema = z.strictObject({
  at: z
    .string()
    .regex(/^\//, { error: "a place on the site, from the site's address on" })
    .describe("The place, from the site's address on")
    .meta({ examples: ['/visit/'] }),
  as: z.literal('visitor').default('visitor').describe('Who looks'),
  shows: z.string().min(1).describe('A text that must be seen there'),
})

const checkSchema = z.union([pageCheckSchema, ...checkParts])
export type WantedCheck = z.output<typeof checkSchema>

/** The baseline file, version 1: one definition for reading, for the JSON Schema and for the docs. */
export const baselineSchema = z
  .strictObject({
    unpack: z
      .literal(1)
      .describe('The version of this format')
      .meta({ examples: [1] }),
    ...parts,
    shipped: shippedSchema.meta({ examples: ['remove'] }),
    gone: goneSchema.meta({ examples: [{ pages: ['old-news'] }] }),
    only: z
      .array(z.enum(software))
      .default([])
      .describe('Of these, only those that the file names stay: what a host has added goes as well')
      .meta({ examples: [['addOns', 'theme']] }),
    leave: z
      .array(z.string().regex(/^[a-zA-Z]+(?:\.[a-zA-Z]+)*$/, { error: 'an area, or a key with its area' }))
      .default([])
      .describe('Keys that this system may not be given, and you know it: they are no difference then')
      .meta({ examples: [['site.timezone']] }),
    samples: z
      .union([z.enum(['none', 'shipped']), fileName])
      .optional()
      .describe(
        'Sample content: none (what an earlier run added and nobody touched goes), shipped (what the system brings stays), or a file: an RSS-based content export',
      )
      .meta({ examples: ['none'] }),
    checks: z
      .array(checkSchema)
      .default([])
      .describe('Looks at the finished site, on top of those that every area brings')
      .meta({ examples: [[{ at: '/visit/', as: 'visitor', shows: 'Saturday' }]] }),
  })
  .meta({ title: 'Unpack baseline', description: 'How a site should be' })

/** A baseline, read and checked, with what the files hold that it names. */
export type Baseline = z.output<typeof baselineSchema> & {
  /** The HTML of every body, by its file. */
  bodies: Record<string, string>
  /** Files for the site's uploads, by their names here. */
  uploads: Record<string, Upload>
  /** Lists of links, by their file. */
  outlines: Record<string, Outline[]>
  /** Sample content, where the baseline names some. */
  sample?: Sample
  /** Archives, by their file, as they are. */
  archives: Record<string, Uint8Array>
  /** What the archives hold, once a system has looked into them. */
  packages: Packages
}

/**
 * The JSON Schema (2020-12) of the baseline file.
 * @example baselineJsonSchema().$schema // 'https://json-schema.org/draft/2020-12/schema'
 */
export const baselineJsonSchema = (): Record<string, unknown> => z.toJSONSchema(baselineSchema, { io: 'input' })

/** Whether what shipped is to go, by an area's key in the baseline. */
export const goesIn = ({ shipped }: Baseline, key: string): boolean => key in removable && removes(shipped, key)
