import { addressText, parseAddress } from '../../core/address.js'
import { UnpackError } from '../../core/errors.js'
import { Secret } from '../../core/secret.js'
import type { StoredLogin } from '../../logins/file.js'
import { askSecret, loginsAt } from '../logins-at.js'
import { print } from '../print.js'
import { heading, row } from '../show/layout.js'

interface Flags {
  logins?: string
  json?: boolean
  temporary?: boolean
  door?: boolean
}

export async function list(flags: Flags): Promise<void> {
  const logins = (await loginsAt(flags.logins).open()).list()
  const plain = logins.map(({ address, username, since, temporary, door }) => ({
    address,
    username,
    since,
    ...(temporary && { temporary }),
    ...(door && { door }),
  }))
  print(flags.json, { logins: plain }, () =>
    plain.length === 0
      ? ['No logins are stored.']
      : plain.flatMap(({ address, username, since, temporary, door }) => [
          heading(address),
          ...row(
            username,
            `since ${since.slice(0, 10)}${temporary ? ', the host’s: renewed when it is used' : ''}${door ? ', in front of the site' : ''}`,
            20,
          ),
        ]),
  )
}

export async function add(address: string, username: string, flags: Flags): Promise<void> {
  const site = siteOf(address)
  const logins = await loginsAt(flags.logins).open()
  const password = process.stdin.isTTY
    ? await askSecret(`The password of “${username}” at ${site}`)
    : await fromStandardInput()
  const { temporary, door } = flags
  await logins.put(site, username, password, { temporary, door })
  const what = door
    ? 'the password in front of'
    : temporary
      ? `the host's login of “${username}” for`
      : `the login of “${username}” for`
  process.stdout.write(`Stored ${what} ${site} in ${logins.file}\n`)
}

export async function show(address: string, username: string, flags: Flags): Promise<void> {
  const { password } = await stored(address, username, flags)
  process.stdout.write(`${password.reveal()}\n`)
}

export async function remove(address: string, username: string, flags: Flags): Promise<void> {
  const login = await stored(address, username, flags)
  await (await loginsAt(flags.logins).open()).remove(login.address, username)
  process.stdout.write(`Removed the login of “${username}” for ${login.address}\n`)
}

async function stored(address: string, username: string, flags: Flags): Promise<StoredLogin> {
  const logins = await loginsAt(flags.logins).open()
  const site = siteOf(address)
  const found = logins.find(site, username)
  if (!found) throw UnpackError.of('login-unknown', { address: site, user: username, file: logins.file })
  return found
}

function siteOf(text: string): string {
  const address = parseAddress(text)
  if (!address) throw UnpackError.of('address-wrong', { address: text })
  return addressText(address)
}

/** One line, without its end; a password may hold anything else. */
async function fromStandardInput(): Promise<Secret> {
  let text = ''
  for await (const part of process.stdin.setEncoding('utf8')) text += String(part)
  const password = text.replace(/\r?\n$/, '')
  if (password === '' || password.includes('\n'))
    throw UnpackError.of('command-line-wrong', {
      what: 'Standard input must hold the password, on one line.',
      next: 'Pipe it in, or run the command at a terminal.',
    })
  return new Secret(password)
}
