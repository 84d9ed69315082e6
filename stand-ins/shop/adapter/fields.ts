const words = (text: string): string[] => text.split(' ')

/** The fields of each form of the dashboard, by its room. */
export const fields: Readonly<Record<string, readonly string[]>> = {
  settings: words('title description language timezone searchEngines icon logo'),
  front: words('frontText'),
  store: words(
    'street city region postcode country email phone trade goods size currency prices weightUnit lengthUnit shipsTo extras',
  ),
  payment: words('cashOn cashName transferOn transferName pretendedOn'),
  taxes: words('name rates'),
  shipping: words('name price freeFrom countries weights'),
  categories: words('name slug description parent order picture'),
  products: words('name slug sku options price sale tax stock weight categories pictures body state'),
  pages: words('title slug body state'),
  menu: words('lines'),
  uploads: words('file'),
  profile: words('username first last shown email password'),
}
