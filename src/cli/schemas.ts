import { z } from 'zod'
import { baselineJsonSchema } from '../core/baseline/schema.js'
import {
  compareDocument,
  confirmDocument,
  errorDocument,
  journalLine,
  reportDocument,
  settleDocument,
  surveyDocument,
} from '../core/report/report.js'

/** Every described document; docs/schemas keeps a copy of each. */
export const schemas = {
  baseline: baselineJsonSchema,
  survey: () => z.toJSONSchema(surveyDocument),
  compare: () => z.toJSONSchema(compareDocument),
  settle: () => z.toJSONSchema(settleDocument),
  confirm: () => z.toJSONSchema(confirmDocument),
  error: () => z.toJSONSchema(errorDocument),
  report: () => z.toJSONSchema(reportDocument),
  journal: () => z.toJSONSchema(journalLine),
} as const
