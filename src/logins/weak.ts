import type { Secret } from '../core/secret.js'

/** How short a passphrase may be without a word about it. */
const SHORT = 12

/** What makes a passphrase easy to guess, in an owner's words; nothing where nothing does. The list of common ones is loaded only here. */
export async function weakness(passphrase: Secret): Promise<string | undefined> {
  const text = passphrase.reveal()
  if ([...new Intl.Segmenter().segment(text)].length < SHORT) return `it is shorter than ${SHORT} signs`
  const { dictionary } = await import('@zxcvbn-ts/language-common')
  const common: readonly string[] = dictionary['passwords-common']
  return common.includes(text.toLowerCase()) ? 'it is among those that are tried first' : undefined
}
