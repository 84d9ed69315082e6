import * as engine from '../../engine/survey.js'
import { print } from '../print.js'
import { interrupted } from '../interrupted.js'
import { systemsFor } from '../systems-for.js'
import { surveyJson, surveyLines } from '../show/survey.js'
import { allVisible } from '../../core/text/visible.js'

export async function survey(address: string, flags: { json?: boolean; with?: string[] }): Promise<void> {
  const surveyed = await engine.survey(address, { systems: await systemsFor(flags.with), signal: interrupted() })
  print(flags.json, surveyJson(surveyed), () => surveyLines(allVisible(surveyed)))
}
