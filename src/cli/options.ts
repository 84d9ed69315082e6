import { Command } from 'commander'

export interface SiteFlags {
  at?: string
  logins?: string
  record?: string
  unproven?: boolean
  plainHttp?: boolean
  again?: string[]
  json?: boolean
  mailFolder?: string
  with?: string[]
}

export const gather = (value: string, before: string[] = []): string[] => [...before, value]

/** `--again` alone means everything: what follows it is never its value, as a file’s name might be taken for one. */
export const EVERYTHING = '*'
export const withAgain = (args: readonly string[]): string[] =>
  args.map((arg) => (arg === '--again' ? `--again=${EVERYTHING}` : arg))

/** The option of commands that can count the file for more than what people changed since. */
export const againOption = (command: Command, what: string): Command =>
  command.option('--again [ref]', `${what}: everything, or --again=REF (may be given several times)`, gather)

/** Options that every command on a site knows. */
export const withSystems = (command: Command): Command =>
  command
    .option('--json', 'print one JSON document')
    .option('--with <module>', 'a further system, by its module (may be given several times)', gather)

export const siteCommand = (name: string): Command =>
  withSystems(
    new Command(name)
      .argument('<baseline>', 'the baseline file')
      .option('--at <address>', "another address than the file's")
      .option('--logins <file>', 'the logins file (UNPACK_LOGINS; else in your config folder)')
      .option(
        '--mail-folder <folder>',
        'where mails to the owner arrive, one .eml file each: links in them are followed',
      )
      .option('--unproven', 'go on with a version Unpack is not proven with')
      .option('--plain-http', 'sign in over plain http beyond this machine'),
  )
