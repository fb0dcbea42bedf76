import { min, sum } from 'd3-array'
import { bestFirst, defineCheck, nodeSubject, type Finding } from './finding'
import { liftMend } from './uses'
import { length, percent, say, volume } from '../words'
import { highestM, nameOf, nodeById, runsFrom, type Run, type Site } from '../site'
import { tankHeight } from '../sums'
import { moveOf, setField } from '../moves'
import type { Tank } from '../kinds'
import { isFilled, keptBackL, suppliesOf, type Compiled, type Pool, type DrawPath } from '../balance'

/** More than this of a tank's water out of reach is worth a word; an outlet a hand above the floor is not. */
const DEAD_SHARE = 0.15
const LEAST_L = 20
/** Uses that it is tried to draw from what nothing draws from. */
const MOST_TRIED = 3
/** Where an outlet usually sits: above the sediment. */
const usualOutletM = (tank: Tank) => Math.min(0.1, tankHeight(tank.shape) * 0.08)

/** Why it cannot be drawn, and what brings it out. */
type Way = Pick<Finding, 'why' | 'mend' | 'otherwise'>

const found = (pool: Pool, deadL: number, of: Way): Finding => ({
  id: `dead-water:${pool.id}`,
  check: 'dead-water',
  severity: 'look',
  subject: nodeSubject(pool.tanks[0]!, pool.name),
  sentence: say`${volume(deadL)} of the ${volume(pool.capL)} in ${pool.name} can never be drawn.`,
  numbers: { deadL, capL: pool.capL, deadShare: deadL / pool.capL },
  ...of,
})

/** A group from which nothing draws: behind a shut valve, or with no line at all. */
function undrawn(site: Site, pool: Pool): Way {
  const valve = pool.tanks
    .flatMap(tank => runsFrom(site, tank.id))
    .flatMap(run => run.parts)
    .find(part => part.kind === 'valve' && !part.open)
  if (valve)
    return {
      why: say`A valve behind it is shut.`,
      mend: { label: 'Open the valve', move: setField('part', valve.id, 'open', true) },
    }
  return {
    why: say`No line leads from it to a use or to another tank.`,
    ...bestFirst(
      ...site.uses.slice(0, MOST_TRIED).map(use => ({
        label: `Draw ${use.name} from it`,
        move: moveOf('drawFrom', { use: use.id, tank: pool.tanks[0]!.id }),
      })),
    ),
  }
}

/** A group whose lowest way out leaves much of it: the tap stands too high, or the draw-off does. */
function tooHigh(site: Site, pool: Pool, { path, keepL }: DrawPath, deadL: number): Way {
  const [first] = path.runs
  // A line that lets water both ways may have been laid towards the tank that it draws from.
  const isOurs = ({ node }: Run['from']) => pool.tanks.some(({ id }) => id === node)
  const { node, port: name } = isOurs(first!.from) ? first!.from : first!.to
  const tank = nodeById(site, node) as Tank
  const port = tank.ports.find(each => each.name === name)!
  const belowPortL = pool.deadBelowL(node, tank.baseM + port.heightM)
  if (keepL > belowPortL + 1) {
    const topM = highestM(site, path)
    const name = nameOf(site, path.end.id)
    const atTap = path.end.kind === 'tap' && topM <= path.end.baseM + 0.005
    return {
      why: atTap
        ? say`The lowest tap that it is drawn by, ${name}, stands at ${length(topM)}: the ${volume(deadL)} lower than that
            do not run up to it.`
        : say`The line to ${name} goes up to ${length(topM)}, and the ${volume(deadL)} lower than that do not run there.`,
      mend: path.end.kind === 'tap' ? liftMend(site, path.end.id, [node]) : undefined,
    }
  }
  const usualM = usualOutletM(tank)
  return {
    why: say`Its draw-off lies ${length(port.heightM)} above the floor of ${tank.name}:
      ${percent(keepL / pool.capL)} of the water stands below it, or behind a join that is higher.`,
    mend:
      port.heightM > usualM + 0.05
        ? {
            label: say`Set it at ${length(usualM)}`,
            move: moveOf('setPort', { tank: tank.id, port: name, heightM: Math.round(usualM * 1000) / 1000 }),
          }
        : undefined,
  }
}

const isDrawn = ({ demands, transfers }: Compiled, pool: number) =>
  transfers.some(line => line.from === pool) ||
  demands.some(demand => demand.sources.some(source => source.kind === 'pool' && source.index === pool))

export const deadWater = defineCheck({
  id: 'dead-water',
  step: 'store',
  harms: 'loss',
  follows: ['use-without-supply', 'joins-nothing', 'feeder-too-low', 'suction-too-high', 'pump-off-its-curve'],
  needs: ['site', 'compiled'],
  sound: 'Nearly all that is stored can be drawn',
  find: ({ site, compiled }) => {
    if (!site.uses.length) return []
    const supplies = suppliesOf(site, compiled.pools)
    const served = new Set(site.uses.map(({ at }) => at))
    return compiled.pools.flatMap((pool, index): Finding[] => {
      const reservedL = sum(pool.tanks, tank => tank.reserveL ?? 0)
      const deadL = Math.min(pool.capL, keptBackL(compiled, index)) - reservedL
      if (!isFilled(compiled, index) || deadL < Math.max(LEAST_L, DEAD_SHARE * pool.capL)) return []
      if (!isDrawn(compiled, index)) return [found(pool, deadL, undrawn(site, pool))]
      // Where even a full tank reaches no tap, that is told of at the use.
      if (deadL + reservedL >= pool.capL - 1) return []
      // What joins its own tanks to each other draws nothing off.
      const ways = supplies.filter(
        ({ from, path }) =>
          from === index &&
          (served.has(path.end.id) || (path.end.kind === 'tank' && !pool.tanks.some(({ id }) => id === path.end.id))),
      )
      const keepL = min(ways, way => way.keepL)
      const lowest = ways.find(way => way.keepL === keepL)
      return lowest ? [found(pool, deadL, tooHigh(site, pool, lowest, deadL))] : []
    })
  },
})
