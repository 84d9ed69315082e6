import type { Field } from './html.js'
import type { Asked, Office } from './office.js'

type Value = string | number | boolean | readonly string[]
type Choices = readonly string[] | (() => readonly string[])
/** The screens of settings: which settings each has, and what they are called there. */
export type SettingScreens<S> = Record<string, { [K in keyof S]?: string }>

/**
 * Settings: a screen for each side of a site, whose form is taken as it comes: what is not in it becomes empty, and what a menu
 * does not hold is passed over.
 * @param long settings that are texts of more than a line
 * @param more what else stands on a screen, as HTML
 */
export function settingsForms<S extends object>(
  office: Office,
  settings: S,
  screens: SettingScreens<S>,
  choices: { [K in keyof S]?: Choices },
  long: readonly (keyof S)[] = [],
  more: (room: string, request: Asked) => string = () => '',
): void {
  const values = settings as Record<string, Value>
  const choicesOf = (name: string): readonly string[] | undefined => {
    const own = choices[name as keyof S]
    return typeof own === 'function' ? own() : own
  }
  const fieldOf = (name: string, label: string): Field => {
    const now = values[name]
    if (typeof now === 'boolean') return { name, label, value: now ? '1' : '', kind: 'box' }
    if (Array.isArray(now)) return { name, label, value: now.join('\n'), kind: 'long' }
    const kind = long.includes(name as keyof S) ? { kind: 'long' as const } : {}
    return { name, label, value: String(now), choices: choicesOf(name), ...kind }
  }
  const taken = (name: string, sent = ''): Value => {
    const now = values[name] ?? ''
    if (typeof now === 'boolean') return sent === '1'
    if (Array.isArray(now)) return sent.split(/\r?\n/).filter((line) => line.trim() !== '')
    if (choicesOf(name)?.includes(sent) === false) return now
    if (typeof now === 'number') return /^\d+$/.test(sent) ? Number(sent) : now
    return sent
  }
  for (const [room, labels] of Object.entries(screens)) {
    const names = Object.entries(labels) as [string, string][]
    office.get(`/${room}`, (request, reply) => {
      const fields = names.map(([name, label]) => fieldOf(name, label))
      return office.screen(reply, room, office.editor(request, `/${room}`, fields) + more(room, request))
    })
    office.post(`/${room}`, `/${room}`, (body) => {
      Object.assign(settings, Object.fromEntries(names.map(([name]) => [name, taken(name, body[name])])))
      return undefined
    })
  }
}
