import { defineCheck, subjectOfRun, type Finding } from '../finding'
import { flow, length, say } from '../../words'
import { setField } from '../../moves'
import { wrongWaysOf } from '../../network'
import { floatDropM, floatShutsM, graphOf, nameOf, portHeightM, runName, spillM } from '../../site'
import type { Tank } from '../../kinds'

/** A float must shut at least so far below where its tank spills, m. */
const CLEAR_M = 0.01

export const floatTooHigh = defineCheck({
  id: 'float-too-high',
  step: 'reach',
  harms: 'loss',
  needs: ['site'],
  sound: 'Every float shuts before its tank spills',
  find: ({ site }) =>
    site.runs.flatMap((run): Finding[] => {
      const shutsM = floatShutsM(site, run)
      const float = run.parts.find(part => part.kind === 'float')
      if (shutsM === undefined || !float) return []
      const tank = graphOf(site).node(run.to.node) as Tank
      const spillsM = spillM(site, tank)
      if (shutsM <= spillsM - CLEAR_M) return []
      const dropM = floatDropM(site, tank.id, portHeightM(site, run.to) - tank.baseM)
      return [
        {
          id: `float-too-high:${run.id}`,
          check: 'float-too-high',
          severity: 'wrong',
          subject: subjectOfRun(site, run),
          sentence: say`The float of “${runName(site, run)}” never shuts: ${tank.name} spills ${length(shutsM - spillsM)} below
            it.`,
          why: say`The water would have to stand ${length(shutsM - tank.baseM)} above the floor, and runs over at
            ${length(spillsM - tank.baseM)}. All that comes goes on to the overflow.`,
          numbers: { shutsM, spillsM },
          mend: {
            label: say`Hang its float ${length(dropM)} below the valve`,
            move: setField('part', float.id, 'dropM', dropM),
          },
        },
      ]
    }),
})

export const floatFloods = defineCheck({
  id: 'float-floods',
  step: 'reach',
  harms: 'loss',
  follows: ['overflow-too-small'],
  needs: ['site', 'pools', 'spills'],
  sound: 'Where a float sticks, the overflow carries what comes',
  find: ({ site, pools, spills }) =>
    wrongWaysOf(site).flatMap((way): Finding[] => {
      if (way.kind !== 'float-stuck') return []
      const pool = pools.find(({ tanks }) => tanks.some(({ id }) => id === way.toId))
      const spill = pool && spills.get(pool.id)
      const run = graphOf(site).run(way.path.at(-1)!.runId)!
      const passesLps = spill?.passesLps ?? 0
      if (!spill || passesLps >= way.flowLps) return []
      return [
        {
          id: `float-floods:${run.id}`,
          check: 'float-floods',
          severity: 'look',
          subject: subjectOfRun(site, run),
          sentence: say`If the float of ${nameOf(site, way.toId)} sticks, ${flow(way.flowLps)} come in and its overflow passes
            ${flow(passesLps)}.`,
          why: say`Every float sticks once. What the overflow cannot carry goes over the rim until somebody comes.`,
          numbers: { flowLps: way.flowLps, passesLps },
        },
      ]
    }),
})
