import { rimM, type Site } from '#core/site'

interface Stray {
  path: string
  sentence: string
}

/** A sentence at a path, unless something holds. */
export const unless = (path: string, holds: boolean, sentence: string): Stray[] => (holds ? [] : [{ path, sentence }])

/** Levels and pressures that are given of what is not there, and tanks that would stand over their rims. */
export function straysOfState(
  site: Site,
  { levels = {}, pressures = {} }: { levels?: Record<string, number>; pressures?: Record<string, number> },
): Stray[] {
  const nodes = new Map(site.nodes.map(node => [node.id, node]))
  return [
    ...Object.entries(levels).flatMap(([id, levelM]) => {
      const path = `levels.${id}`
      const tank = nodes.get(id)
      if (tank?.kind !== 'tank') return [{ path, sentence: `${path}: there is no tank “${id}” in this site.` }]
      const highM = rimM(tank) - tank.baseM
      return unless(path, levelM <= highM + 1e-9, `${path} must be at most ${highM} m, the tank’s own height.`)
    }),
    ...Object.keys(pressures).flatMap(id => {
      const holds = nodes.get(id)?.kind === 'pressureTank'
      return unless(`pressures.${id}`, holds, `pressures.${id}: there is no pressure tank “${id}” in this site.`)
    }),
  ]
}
