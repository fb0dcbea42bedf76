import { bestFirst, defineCheck, subjectOfRun, type Mend } from './finding'
import { length, say, volume } from '../words'
import { tankVolume } from '../sums'
import { nodeById, portHeightM, rimM, roleOf, tankNominalL, isOpenBothWays } from '../site'
import { applyMove, moveOf } from '../moves'
import { poolsOf } from '../balance'
import type { Tank } from '../kinds'

/** Joined tanks set level: with the highest, or where what fills them would have to climb, with the lowest. */
export const levelTops = (tanks: readonly Tank[]): Mend[] =>
  (['highest', 'lowest'] as const).map(which => ({
    label: `Level the tops with the ${which}`,
    move: moveOf('levelRims', { tanks: tanks.map(({ id }) => id), with: which }),
  }))
const toCentimetre = (metres: number) => Math.ceil(metres * 100) / 100
/** A join lies so far below the highest water that some of it is shared. */
const REACHED_M = 0.3

const SAME_LEVEL_M = 0.02
/** Less than this, as a share of what a group holds, is no loss. */
const LEAST_LOST = 0.005

export const rimsDiffer = defineCheck({
  id: 'rims-differ',
  step: 'store',
  harms: 'loss',
  follows: ['tank-off-its-base'],
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
            ...bestFirst(...levelTops(pool.tanks)),
          },
        ]
      }),
})

export const joinsNothing = defineCheck({
  id: 'joins-nothing',
  step: 'store',
  harms: 'loss',
  follows: ['tank-off-its-base'],
  needs: ['site', 'pools'],
  sound: 'Every line that joins two tanks low down lets both stand at one level',
  find: ({ site, pools }) =>
    site.runs.flatMap(run => {
      const [from, to] = [nodeById(site, run.from.node), nodeById(site, run.to.node)]
      if (from.kind !== 'tank' || to.kind !== 'tank' || !isOpenBothWays(run)) return []
      if ([run.from, run.to].some(end => roleOf(site, end) !== 'link')) return []
      const [one, other] = [from, to].map(tank => pools.find(pool => pool.tanks.includes(tank))!)
      if (!one || !other || one === other) return []
      const [low, high] = one.capM <= other.capM ? [from, to] : [to, from]
      const spillsM = Math.min(one.capM, other.capM)
      const sillM = Math.max(portHeightM(site, run.from), portHeightM(site, run.to))
      return [
        {
          id: `joins-nothing:${run.id}`,
          check: 'joins-nothing',
          severity: 'wrong' as const,
          subject: subjectOfRun(site, run),
          sentence: say`${low.name} cannot run up into ${high.name}: full, it stands at ${length(spillsM)}, and the line
            between them at ${length(sillM)}.`,
          why: say`Joined low down, two tanks share one level only where the lower one can stand as high as the line. Now
            ${high.name} runs down into ${low.name} and gets nothing back.`,
          numbers: { spillsM, sillM },
          ...bestFirst(...levelTops([from, to]), {
            label: `Set ${high.name} lower`,
            move: moveOf('setLower', { nodes: [high.id], byM: toCentimetre(sillM - spillsM + REACHED_M) }),
          }),
        },
      ]
    }),
})

export const linkWithoutValve = defineCheck({
  id: 'link-without-valve',
  step: 'store',
  harms: 'loss',
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
