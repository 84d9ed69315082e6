import type { Question } from './area.js'
import { areaNames, areaOf } from './areas/index.js'

/** What concerns the file as a whole. */
const whole: readonly Question[] = [
  { key: 'shipped', ask: 'Shall what came with the system go?' },
  { key: 'samples', ask: 'Shall sample content fill it, and which?' },
  { key: 'gone', ask: 'What of what stands there now is to go, although somebody made it?' },
]

/** Every question by which a baseline can be asked for, in the order in which practitioners ask. */
export const questions: readonly Question[] = [...areaNames.flatMap((name) => areaOf(name).questions ?? []), ...whole]
