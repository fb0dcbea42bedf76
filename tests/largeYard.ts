import { blank, build } from './sites'
import { dailySeries } from '../core/climate'
import { writeSite, type Site } from '../core/site'
import { moveOf, standInClimate } from '../core/moves'

const WAYS = ['joined', 'alone', 'spill', 'joined', 'stepped', 'joined'] as const
const PURPOSES = ['beds', 'flush', 'sheep', 'laundry', 'trees', 'hens'] as const

/**
 * A large yard, for what must be quick there too: tanks joined in every way, with a roof for each group, and uses
 * drawn from all of them.
 */
export function largeYard(tanks: number, uses: number): Site {
  const lastTank = (site: Site) => site.nodes.filter(node => node.kind === 'tank').at(-1)!.id
  let site = build(
    blank(),
    moveOf('addTank', { kind: 'tote', how: 'alone' }),
    moveOf('addRoof', { name: 'Roof 1', lengthM: 12, widthM: 9, material: 'steel' }),
  )
  for (let tank = 2; tank <= tanks; tank++) {
    const how = WAYS[tank % WAYS.length]!
    const kind = tank % 5 ? 'tote' : 'upright'
    site = build(site, moveOf('addTank', { kind, how, to: how === 'alone' ? undefined : lastTank(site) }))
    if (how !== 'alone') continue
    const roof = { name: `Roof ${tank}`, lengthM: 10, widthM: 8, material: 'steel' as const, tank: lastTank(site) }
    site = build(site, moveOf('addRoof', roof))
  }
  const ids = site.nodes.filter(node => node.kind === 'tank').map(node => node.id)
  for (let use = 0; use < uses; use++) {
    const preset = PURPOSES[use % PURPOSES.length]!
    site = build(site, moveOf('addUse', { preset, count: 2 + (use % 3), tank: ids[(use * 7) % ids.length]! }))
  }
  return { ...site, climate: standInClimate('dry-summer-hill') }
}

/** So many of a yard side by side in one document, each with ids of its own: quicker than making every move. */
export function sideBySide(site: Site, times: number): Site {
  const copies = <Things>(things: Things[]): Things[] =>
    Array.from({ length: times }, (_, copy) =>
      things.map(
        thing =>
          JSON.parse(
            JSON.stringify(thing).replace(/"(id|node|nodeId|at)":"([^"]+)"/g, `"$1":"$2-of-${copy}"`),
          ) as Things,
      ),
    ).flat()
  return {
    ...site,
    roofs: copies(site.roofs),
    nodes: copies(site.nodes),
    runs: copies(site.runs),
    uses: copies(site.uses),
  }
}

/** A site file of such yards side by side, with a rain record of some years. */
export function yardFile({ tanks, uses, years, yards }: { tanks: number; uses: number; years: number; yards: number }) {
  const site = sideBySide(largeYard(tanks / yards, uses / yards), yards)
  const rainMm = Array.from(dailySeries(site, { years }).rainMm, mm => Math.round(mm * 10) / 10)
  const climate = { ...site.climate, daily: { start: '1921-01-01', rainMm } }
  return writeSite({ ...site, id: `yard-${tanks}`, climate })
}
