import type { Package } from './packages.js'

type Offer = Omit<Package, 'id' | 'active' | 'automatic'>

/** Themes and add-ons that the stand-in knows by name, as if it asked a network for them. */
export const catalogue: { themes: readonly Offer[]; addOns: readonly Offer[] } = {
  themes: [
    { name: 'plain', version: '1.0', places: ['main'], sidebars: ['main'] },
    { name: 'plainer', version: '1.0', places: ['main'], sidebars: ['main'] },
    { name: 'driftwood', version: '2.1', places: ['main', 'footer'], sidebars: ['main'] },
  ],
  addOns: [
    { name: 'smileys', version: '1.1' },
    { name: 'comments', version: '1.0' },
    { name: 'tide-table', version: '1.2', footer: 'High water at noon' },
  ],
}

/** True if one version comes after another: numbers compared part by part. */
export function newer(version: string, than: string): boolean {
  const [a, b] = [version, than].map((text) => text.split('.').map(Number))
  const at = (a ?? []).findIndex((part, index) => part !== (b?.[index] ?? 0))
  return at >= 0 && (a?.[at] ?? 0) > (b?.[at] ?? 0)
}

/** Newer versions of what is there. */
export const waiting = (there: readonly Package[], offers: readonly Offer[]): { own: Package; offer: Offer }[] =>
  there.flatMap((own) => {
    const offer = offers.find(({ name, version }) => name === own.name && newer(version, own.version))
    return offer ? [{ own, offer }] : []
  })
