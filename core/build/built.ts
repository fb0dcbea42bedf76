import { portChains } from './build'
import { cutSheets } from './cutSheets'
import { gateOf } from './gate'
import { holesOf } from './holes'
import { planOf } from './order/order'
import { toBuy, totalOf } from './takeoff/takeoff'
import type { Site } from '../site'

/** What there is to be done for a plan, in a month and on a day: what is asked of it by every part of the step. */
export function built(site: Site, month: number, today: string) {
  const items = toBuy(site)
  return {
    items,
    bought: new Set(site.build?.bought),
    total: totalOf(items),
    sheets: cutSheets(site),
    plan: planOf(site, undefined, month),
    gate: gateOf(site, month, today),
    holes: holesOf(site),
    chains: portChains(site),
  }
}
export type Built = ReturnType<typeof built>
