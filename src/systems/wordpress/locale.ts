import { shippedWords } from './shipped-texts.js'

const shipped = shippedWords.map(({ locale }) => locale)

/** `de_DE_formal` → `de-DE`; nothing means English. */
export const tagOf = (locale: string): string => (locale === '' ? 'en-US' : locale.split('_').slice(0, 2).join('-'))

/** A BCP 47 tag as this system's name for a language; '' is its English. A language it hasn't got goes as it is, and is seen to fail. */
export function localeOf(tag: string): string {
  const [language = '', region] = tag.replaceAll('_', '-').split('-')
  const exact =
    region === undefined ? undefined : shipped.find((locale) => tagOf(locale).toLowerCase() === tag.toLowerCase())
  const own = `${language}_${language.toUpperCase()}`
  const near =
    region === undefined
      ? (shipped.find((locale) => locale === own) ?? shipped.find((locale) => locale.split('_')[0] === language))
      : undefined
  const found = language === 'en' && region === undefined ? 'en_US' : (exact ?? near)
  return found === 'en_US' ? '' : (found ?? tag.replaceAll('-', '_'))
}
