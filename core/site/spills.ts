import { group, max } from 'd3-array'
import type { Run, Site } from './schema'
import { onceEach, onceLaid } from './remembered'
import { portHeightM } from './graph'
import { lineFrom } from './lines'
import { pathsFrom, type Path } from './paths'
import { portsByRole, rimM } from './tanks'
import type { Port, Tank } from '../kinds'

/** The highest place that a line passes after its beginning, its end among them. */
export const highestM = (site: Site, { steps }: Pick<Path, 'steps'>): number =>
  max(steps, step => Math.max(portHeightM(site, step.to), humpM(step.run))) ?? -Infinity
const humpM = (run: Run): number => max(run.profile ?? [], place => place.heightM) ?? -Infinity

/** An overflow with a line, and the height of water above the datum at which that line runs. */
export interface Overflow {
  port: Port
  path: Path
  runsAtM: number
}

/**
 * The overflows of a tank that can run before it runs over its rim, the first to run first: each once the water stands
 * above its mouth, and above every place that its line passes without a pump.
 */
export const overflowsOf = onceEach((site: Site, tank: Tank): Overflow[] => {
  return portsByRole(tank, 'overflow')
    .flatMap(port =>
      pathsFrom(site, tank.id, name => name === port.name).map((path): Overflow => {
        const openingM = tank.baseM + port.heightM
        return { port, path, runsAtM: path.pumpLps === undefined ? Math.max(openingM, highestM(site, path)) : openingM }
      }),
    )
    .filter(({ runsAtM }) => runsAtM < rimM(tank) + 1e-9)
    .sort((a, b) => a.runsAtM - b.runsAtM)
})

/** True where every spout that leads to one of some tanks sends its water to ground once the tank is full. */
export function isShutAtSpouts(site: Site, tanks: readonly Tank[]): boolean {
  const spouts = tanks.flatMap(({ id }) => spoutsByTank(site).get(id) ?? [])
  return spouts.length > 0 && spouts.every(({ bypassWhenFull }) => bypassWhenFull)
}
/** The spouts that lead to each tank. */
const spoutsByTank = onceLaid((site: Site) =>
  group(
    site.nodes.filter(node => node.kind === 'spout'),
    ({ id }) => lineFrom(site, id).at(-1)?.to.node,
  ),
)

/** Where a tank spills: where its first overflow runs, else at its rim. Above the datum. */
export function spillM(site: Site, tank: Tank): number {
  return overflowsOf(site, tank)[0]?.runsAtM ?? rimM(tank)
}
