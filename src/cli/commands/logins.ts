import { Command } from 'commander'
import { lazily } from '../lazily.js'

const ADDRESS = 'https://repair.example/'

const part = (name: string, description: string, examples: readonly string[]): Command =>
  new Command(name)
    .description(description)
    .option('--logins <file>', 'the logins file (UNPACK_LOGINS; else in your config folder)')
    .addHelpText('after', `\nExamples:\n${examples.map((line) => `  unpack logins ${line}`).join('\n')}`)
    .exitOverride()
const ofOne = (name: string, description: string, examples = [`${name} ${ADDRESS} marlow`]): Command =>
  part(name, description, examples)
    .argument('<address>', 'a whole http or https address')
    .argument('<user>', 'the user name')
const actions = () => import('../actions/logins.js')

export const loginsCommand = (): Command =>
  new Command('logins')
    .addCommand(
      part('list', 'list the logins, without passwords', ['list', 'list --json'])
        .option('--json', 'print one JSON document')
        .action(lazily(async () => (await actions()).list)),
    )
    .addCommand(
      ofOne('add', 'store a login; the password is asked for, or read from standard input', [
        `add ${ADDRESS} marlow`,
        `add --temporary ${ADDRESS} host-admin`,
        `add ${ADDRESS} marlow < password.txt`,
      ])
        .option('--temporary', "it is the host's: a password of the owner's own takes its place")
        .option('--door', 'it opens the door in front of the whole site (HTTP Basic)')
        .action(lazily(async () => (await actions()).add)),
    )
    .addCommand(ofOne('show', 'print a password').action(lazily(async () => (await actions()).show)))
    .addCommand(ofOne('remove', 'forget a login').action(lazily(async () => (await actions()).remove)))
    .addHelpText(
      'after',
      `
Examples:
  unpack logins list
  unpack logins add http://127.0.0.1:4101/ marlow
  unpack logins add --temporary http://127.0.0.1:4101/ host-admin
  unpack logins show http://127.0.0.1:4101/ marlow
The passphrase is asked for, or comes from UNPACK_PASSPHRASE.`,
    )
