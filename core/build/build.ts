import { cutSheets } from './cutSheets'
import { gateOf } from './gate'
import { planOf } from './order/order'
import { chainAt, mainPipe, sizeOf } from './takeoff/lines'
import { toBuy, totalOf } from './takeoff/takeoff'
import type { ChainStep } from './chain'
import { phraseText } from '../words'
import { graphOf, tanksOf, type Site } from '../site'
import type { Port } from '../kinds'
import type { End } from '../catalog'

/** A tank's port whose end somebody has said, with what leads from it to its line's pipe. */
export interface PortChain {
  at: string
  tankId: string
  port: string
  runId: string
  from: End
  steps: ChainStep[]
  /** True where no adapters meet. */
  none: boolean
}
export function portChains(site: Site): PortChain[] {
  return tanksOf(site).flatMap(tank =>
    tank.ports.flatMap((port): PortChain[] => {
      const run = graphOf(site)
        .at(tank.id)
        .find(each => [each.from, each.to].some(end => end.node === tank.id && end.port === port.name))
      if (!port.end || !run) return []
      const chain = chainAt(site, port as Port & { end: End }, mainPipe(site, run))
      const at = `${tank.id}:${port.name}`
      return [
        {
          at,
          tankId: tank.id,
          port: port.name,
          runId: run.id,
          from: port.end,
          steps: chain?.steps ?? [],
          none: !chain,
        },
      ]
    }),
  )
}

/** Everything that is asked of a plan that is to be built, as it is answered to programs. */
export function buildOf(site: Site, owned?: readonly { id: string; count: number }[], month = 6) {
  const items = toBuy(site, owned)
  return {
    parts: items.map(({ id, what, size, toBuy: count, unit, price, shares }) => ({
      id,
      what,
      size: phraseText(size, site.standards.units),
      count,
      unit,
      price: price ?? null,
      forRuns: shares.map(share => share.id),
    })),
    cuts: cutSheets(site).map(({ bought, stocks }) => ({ size: sizeOf(bought), stocks })),
    chains: portChains(site).map(({ at, steps }) => ({
      at,
      steps: steps.map(({ adapter, price }) => ({ adapter: adapter.name, price })),
    })),
    order: planOf(site, undefined, month).map(({ id, what, after, day, minutes }) => ({
      id,
      what,
      after,
      day,
      minutes,
    })),
    gate: gateOf(site, month).map(({ id, open, costsLater }) => ({ id, open: open !== undefined, costsLater })),
    total: Math.round(100 * totalOf(items)) / 100,
  }
}
