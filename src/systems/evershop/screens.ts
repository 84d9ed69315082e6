import { load } from 'cheerio'
import type { Answer } from '../../web/answer.js'
import type { Screen } from '../system.js'

const at = (name: string, place: string, page: string): Screen => ({ name, place, has: `body.admin.${page}` })

export const screens: readonly Screen[] = [
  at('dashboard', 'admin', 'dashboard'),
  at('products', 'admin/products', 'productGrid'),
  at('categories', 'admin/categories', 'categoryGrid'),
  at('orders', 'admin/orders', 'orderGrid'),
  at('customers', 'admin/customers', 'customerGrid'),
  at('pages', 'admin/pages', 'cmsPageGrid'),
  at('widgets', 'admin/widgets', 'widgetGrid'),
  at('store', 'admin/setting/store', 'storeSetting'),
  at('payments', 'admin/setting/payments', 'paymentSetting'),
  at('shipping', 'admin/setting/shipping', 'shippingSetting'),
  at('taxes', 'admin/setting/tax', 'taxSetting'),
]

/** Signs of trouble on a screen of the dashboard. */
export function trouble({ status, text }: Answer, screen: Screen): string | undefined {
  if (status !== 200) return `it answers HTTP ${status}`
  const $ = load(text)
  if ($('body.adminLogin').length > 0) return 'it asks to sign in'
  if (/^\s*at .+\(.+:\d+:\d+\)/m.test($('body').text()))
    return 'it shows a trace of the language the system is written in'
  return $(screen.has).length > 0 && $('#app').text().trim() !== '' ? undefined : 'what belongs on it is missing'
}
