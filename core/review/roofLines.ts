import { bestFirst, defineCheck, passedBy, type Finding, type Mend } from './finding'
import { intensity, length, listed, say, pipeSize } from '../words'
import { nodeById, type DesignStorm, nameOf, type Site } from '../site'
import type { Pool } from '../balance'
import { boreMm, joinsOf, waterLine, type RoofLine } from '../network'
import { moveOf, nextBoreMm } from '../moves'
import type { Part } from '../kinds'
import { LINE_BORES_MM } from '../catalog'

const FALL_M = 0.02
const HEAD_STEP_M = 0.05

/** Where a line is open to the air, in words; and the move that hangs its screen head at the spout again. */
const openAt = ({ head }: RoofLine) => (head ? 'the screen head' : 'the gutter’s outlet')
const hangAtSpout = ({ spout }: RoofLine) => ({
  label: 'Hang the screen head at the spout',
  move: moveOf('hangScreen', { spout: spout.id }),
})
/** What a finding about a roof's line is about: its spout. */
export const subjectOf = ({ spout }: RoofLine) => ({ kind: 'node' as const, id: spout.id, name: spout.name })

export const fedFromBelow = defineCheck({
  id: 'fed-from-below',
  step: 'clean',
  harms: 'loss',
  follows: ['tank-off-its-base'],
  needs: ['site', 'roofLines', 'pools', 'storm'],
  sound: 'Every roof stands above the inlet it feeds',
  find: ({ site, roofLines, pools, storm }) =>
    roofLines.flatMap(line => {
      const shortM = line.inletM + FALL_M - line.topM
      if (shortM <= 0) return []
      const tank = nodeById(site, line.tankId)
      const above = line.inletM + FALL_M <= line.spout.baseM
      return [
        {
          id: `fed-from-below:${line.spout.id}`,
          check: 'fed-from-below',
          severity: 'wrong',
          subject: subjectOf(line),
          sentence: say`Water will not run from ${line.spout.name} into ${nameOf(site, tank.id)}: the inlet is higher than
            ${openAt(line)}.`,
          why: say`${line.head ? 'The screen head' : 'The outlet'} stands at ${length(line.topM)}, the inlet at
            ${length(line.inletM)} above the datum.`,
          numbers: { spoutM: line.topM, inletM: line.inletM },
          ...bestFirst(
            above ? hangAtSpout(line) : undefined,
            lowering(site, joinedWith(pools, tank), shortM + RUNS_M),
            lowering(site, joinedWith(pools, tank), stormNeedsM(line, storm)),
            lowering(site, [...joinedWith(pools, tank), ...chambersOf(site, line)], shortM + RUNS_M),
            lowering(site, [...joinedWith(pools, tank), ...chambersOf(site, line)], stormNeedsM(line, storm)),
          ),
        },
      ]
    }),
})

/** A tank is not advised further down than this. */
const MOST_LOWERED_M = 5
/** What is left over where water just runs, and where a storm does. */
const [RUNS_M, SPARE_M] = [0.1, 0.05]

/** How far a tank goes down until the storm runs into it, m. */
const stormNeedsM = (line: RoofLine, storm: DesignStorm | undefined): number =>
  storm ? waterLine(line, storm.intensityMmPerH).atTopM - line.topM + SPARE_M : Infinity

/** A tank with those that it is joined to, all of which stand at one level. */
const joinedWith = (pools: readonly Pool[], tank: { id: string }): readonly { id: string }[] =>
  pools.find(({ tanks }) => tanks.some(({ id }) => id === tank.id))?.tanks ?? [tank]

/** Chambers on the way, which hang in its line. */
const chambersOf = (site: Site, { stretches }: RoofLine) =>
  stretches.map(({ run }) => nodeById(site, run.to.node)).filter(({ kind }) => kind === 'chamber')

/** A tank and what stands or hangs with it set lower, where that is not too far. */
function lowering(site: Site, nodes: readonly { id: string }[], leastM: number): Mend | undefined {
  const byM = Math.ceil(leastM * 100) / 100
  if (byM > MOST_LOWERED_M) return undefined
  return {
    label: say`Set ${listed(nodes.map(({ id }) => nameOf(site, id)))} ${length(byM)} lower`,
    move: moveOf('setLower', { nodes: nodes.map(({ id }) => id), byM }),
  }
}

export const lineClimbs = defineCheck({
  id: 'line-climbs',
  step: 'clean',
  harms: 'loss',
  follows: ['tank-off-its-base'],
  needs: ['site', 'roofLines'],
  sound: 'No line climbs above its gutter',
  find: ({ site, roofLines }) =>
    roofLines.flatMap((line): Finding[] => {
      const node = nodeById(site, line.high.nodeId)
      const name = nameOf(site, node.id)
      const overM = line.high.heightM - line.topM
      if (overM <= 0.005 || node.kind === 'tank') return []
      // A head below the inlet lies below all that comes before it too: one cause, one finding.
      if (line.head && line.topM < line.inletM + FALL_M) return []
      const above = line.high.heightM <= line.spout.baseM + 0.005
      return [
        {
          id: `line-climbs:${line.spout.id}`,
          check: 'line-climbs',
          severity: 'wrong',
          subject: subjectOf(line),
          sentence: say`Water would have to climb to get from ${line.spout.name} past ${name};
            ${line.head ? 'its screen head' : 'the gutter'} fills and spills instead.`,
          why: say`${name} stands ${length(overM)} above ${openAt(line)}.`,
          numbers: { overM },
          mend: above
            ? hangAtSpout(line)
            : {
                label: 'Lower it until it runs',
                move: moveOf('setHeight', { node: node.id, baseM: Math.round((node.baseM - overM - 0.1) * 100) / 100 }),
              },
        },
      ]
    }),
})

/** The smallest pipe on the shelf in which a line passes the storm. */
function passingBore(line: RoofLine, mmPerH: number): number | undefined {
  const widest = Math.max(...line.stretches.map(({ run }) => boreMm(run)))
  return LINE_BORES_MM.filter(candidate => candidate > widest).find(candidate => {
    const wider = {
      ...line,
      stretches: line.stretches.map(stretch => ({
        ...stretch,
        run: {
          ...stretch.run,
          parts: stretch.run.parts.map((part): Part =>
            part.kind === 'pipe' ? { ...part, innerDiameterMm: candidate } : part,
          ),
        },
      })),
    }
    return !waterLine(wider, mmPerH).spills
  })
}

/** The least height, in steps of a hand's breadth, at which a hung screen head lets the storm through. */
function passingHeadM(line: RoofLine, mmPerH: number): number | undefined {
  const { head, spout } = line
  if (!head) return undefined
  for (let atM = line.topM + HEAD_STEP_M; atM <= spout.baseM; atM += HEAD_STEP_M) {
    const topM = Math.round(atM * 100) / 100
    const raised = { ...line, topM, head: { ...head, hangsAtM: topM } }
    if (!waterLine(raised, mmPerH).spills) return topM
  }
  return undefined
}

export const lineTooSlow = defineCheck({
  id: 'line-too-slow',
  step: 'clean',
  harms: 'loss',
  follows: ['shares-off'],
  needs: ['site', 'roofLines', 'pools', 'storm'],
  sound: 'Every line has the height to push the design storm through',
  find: ({ site, roofLines, pools, storm }) =>
    !storm
      ? []
      : roofLines
          .filter(
            line =>
              line.topM - line.inletM > FALL_M &&
              line.high.heightM <= line.topM + 0.005 &&
              line.areaM2 > 0 &&
              line.passesMmPerH < storm.intensityMmPerH * 0.98,
          )
          .map((line): Finding => {
            const water = waterLine(line, storm.intensityMmPerH)
            const haveM = line.topM - line.inletM
            const needM = water.atTopM - line.inletM
            const runsOver = line.head ? 'the screen head runs over' : 'the gutter spills'
            const wider = passingBore(line, storm.intensityMmPerH)
            const higherM = passingHeadM(line, storm.intensityMmPerH)
            return {
              id: `line-too-slow:${line.spout.id}`,
              check: 'line-too-slow',
              severity: passedBy(storm.intensityMmPerH, line.passesMmPerH),
              subject: subjectOf(line),
              sentence: line.wet
                ? say`The wet line from ${line.spout.name} has too little height to push the design storm through;
                  ${runsOver}.`
                : say`The line from ${line.spout.name} is too narrow for the design storm; water backs up and
                  ${runsOver}.`,
              why: say`From ${openAt(line)} down to the inlet of ${nameOf(site, line.tankId)} it has
                ${length(haveM)}; the storm of ${intensity(storm.intensityMmPerH)} would need ${length(needM)}. It
                passes ${intensity(line.passesMmPerH)}.`,
              numbers: { haveM, needM, passesMmPerH: line.passesMmPerH },
              ...bestFirst(
                higherM
                  ? {
                      label: 'Hang the screen head higher',
                      move: moveOf('hangScreen', { spout: line.spout.id, atM: higherM }),
                    }
                  : undefined,
                wider
                  ? {
                      label: say`Lay it in ${pipeSize(wider)} pipe`,
                      move: moveOf('setBore', { runs: line.stretches.map(({ run }) => run.id), boreMm: wider }),
                    }
                  : undefined,
                lowering(site, joinedWith(pools, nodeById(site, line.tankId)), needM - haveM + SPARE_M),
              ),
            }
          }),
})

const UNLIKE_M = 0.05
const UNLIKE_SHARE = 0.3

export const unequalJoin = defineCheck({
  id: 'unequal-join',
  step: 'clean',
  harms: 'loss',
  follows: ['line-too-slow'],
  needs: ['site', 'storm'],
  sound: 'Where spouts join, both sides cost the storm alike',
  find: ({ site, storm }) =>
    !storm
      ? []
      : joinsOf(site, storm.intensityMmPerH).flatMap(({ jointId, sides }): Finding[] => {
          const [tight, easy] = [sides[0]!, sides.at(-1)!]
          const apartM = easy.spareM - tight.spareM
          if (
            tight.lossM <= easy.lossM ||
            tight.lossM - easy.lossM < Math.max(UNLIKE_M, UNLIKE_SHARE * easy.lossM) ||
            apartM < UNLIKE_M
          )
            return []
          const wider = nextBoreMm(Math.min(...tight.ownRuns.map(boreMm)))
          return [
            {
              id: `unequal-join:${jointId}`,
              check: 'unequal-join',
              severity: tight.spareM < 0 ? 'wrong' : 'look',
              subject: subjectOf(tight.line),
              sentence:
                tight.spareM < 0
                  ? say`In the design storm ${tight.line.head ? 'the screen head' : 'the gutter'} at
                    ${tight.line.spout.name} runs over while
                    ${easy.line.spout.name} still swallows.`
                  : say`${tight.line.head ? 'The screen head' : 'The gutter'} at ${tight.line.spout.name} will run over
                    first.`,
              why: say`Up to where the two lines join, its side costs the storm ${length(tight.lossM)} and the other
                ${length(easy.lossM)}; the height left is ${length(Math.max(0, tight.spareM))} here and
                ${length(Math.max(0, easy.spareM))} there.`,
              numbers: { tightLossM: tight.lossM, easyLossM: easy.lossM, spareM: tight.spareM },
              mend: {
                label: 'Lay that side in the next wider pipe',
                move: moveOf('setBore', { runs: tight.ownRuns.map(run => run.id), boreMm: wider }),
              },
            },
          ]
        }),
})
