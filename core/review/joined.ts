import { defineCheck, subjectOfRun } from './finding'
import { length, say, volume } from '../words'
import { tankVolume } from '../sums'
import { nodeById, portHeightM, rimM, tankNominalL, isOpenBothWays } from '../site'
import { applyMove, moveOf } from '../moves'
import { poolsOf } from '../balance'

const SAME_LEVEL_M = 0.02
/** Less than this, as a share of what a group holds, is no loss. */
const LEAST_LOST = 0.005

export const rimsDiffer = defineCheck({
  id: 'rims-differ',
  step: 'store',
  needs: ['site', 'pools'],
  sound: 'Tanks joined at the bottom spill at one level',
  find: ({ site, pools }) =>
    pools
      .filter(pool => pool.tanks.length > 1)
      .flatMap(pool => {
        const rims = pool.tanks.map(rimM)
        const spreadM = Math.max(...rims) - Math.min(...rims)
        if (spreadM <= SAME_LEVEL_M) return []
        const level = moveOf('levelRims', { tanks: pool.tanks.map(member => member.id) })
        const levelled = applyMove(site, level)
        const then = levelled.ok ? poolsOf(levelled.site).find(each => each.id === pool.id) : undefined
        // What an overflow forgoes anyway, however the tanks stand, is not lost by their rims.
        const lostL = then ? then.capL - pool.capL : 0
        if (lostL <= LEAST_LOST * pool.nominalL) return []
        const { tank } = pool.spillsAt
        return [
          {
            id: `rims-differ:${pool.tanks[0]!.id}`,
            check: 'rims-differ',
            severity: lostL > 0.1 * pool.nominalL ? ('wrong' as const) : ('look' as const),
            subject: { kind: 'node' as const, id: tank.id, name: pool.name },
            sentence: say`${tank.name} spills before the others are full: with level tops, ${pool.name} would hold
              ${volume(lostL)} more.`,
            why: say`Their rims differ by ${length(spreadM)}, and joined tanks stand at one level, at most
              ${length(pool.capM)}.`,
            numbers: { spreadM, lostL, heldL: pool.capL },
            mend: { label: 'Level the tops', move: level },
          },
        ]
      }),
})

export const linkWithoutValve = defineCheck({
  id: 'link-without-valve',
  step: 'store',
  needs: ['site', 'pools'],
  sound: 'Each joined tank can be shut off from the others',
  find: ({ site, pools }) =>
    site.runs.flatMap(run => {
      const [from, to] = [nodeById(site, run.from.node), nodeById(site, run.to.node)]
      if (from.kind !== 'tank' || to.kind !== 'tank' || !isOpenBothWays(run)) return []
      const pool = pools.find(candidate => candidate.tanks.includes(from))
      if (!pool?.tanks.includes(to) || run.parts.filter(part => part.kind === 'valve').length >= 2) return []
      const sillM = Math.max(portHeightM(site, run.from), portHeightM(site, run.to))
      const lostL = [from, to].reduce(
        (sum, tank) =>
          sum +
          Math.max(
            0,
            Math.min(
              tankNominalL(tank),
              tankVolume({ ...tank.shape, levelM: Math.max(0, pool.capM - tank.baseM) }).volumeL,
            ) - tankVolume({ ...tank.shape, levelM: Math.max(0, sillM - tank.baseM) }).volumeL,
          ),
        0,
      )
      return [
        {
          id: `link-without-valve:${run.id}`,
          check: 'link-without-valve',
          severity: 'look' as const,
          subject: subjectOfRun(site, run),
          sentence: say`A leak in ${from.name} or ${to.name} empties both: up to ${volume(lostL)} runs out.`,
          why: say`Nothing between them can be shut; each tank wants its own valve, so that one can be cleaned or
            lost without the other.`,
          numbers: { lostL },
          mend: { label: 'Fit a valve at each end', move: moveOf('fitLinkValves', { run: run.id }) },
        },
      ]
    }),
})
