import { defineCheck, subjectOfRun, type Finding } from '../finding'
import { length, say } from '../../words'
import { moveOf } from '../../moves'
import { boreMm, pumpsOf } from '../../network'
import { graphOf, portHeightM, runName } from '../../site'
import { runsThrough } from '../../kinds'

/** A pump that lifts less than this loses nothing by what runs back. */
const LEAST_LIFT_M = 0.5

export const checkMissing = defineCheck({
  id: 'check-missing',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'No line runs back through its pump once that stops',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      // An on-demand pump has its own; what a sump lifts may run back into it.
      if (pump.pump === 'on-demand' || run.from.port.startsWith('overflow')) return []
      const graph = graphOf(site)
      const end = graph.node(run.to.node)
      const next = end && runsThrough(end) ? graph.outOf(end.id) : []
      if ([run, ...next].some(each => each.parts.some(({ kind }) => kind === 'check'))) return []
      const liftM = portHeightM(site, run.to) - portHeightM(site, run.from)
      if (liftM < LEAST_LIFT_M) return []
      const behind = run.parts[run.parts.indexOf(pump) + 1]
      return [
        {
          id: `check-missing:${pump.id}`,
          check: 'check-missing',
          severity: 'look',
          subject: subjectOfRun(site, run),
          sentence: say`When its pump stops, “${runName(site, run)}” runs back through it, and is filled anew at each start.`,
          why: say`No check valve holds the ${length(liftM)} of water that stand behind the pump: it spins backwards, and
            what it serves waits for water. A check right behind it holds them.`,
          numbers: { liftM },
          mend: {
            label: 'Fit a check valve behind it',
            move: moveOf('insertPart', {
              run: run.id,
              ...(behind ? { before: behind.id } : {}),
              part: { kind: 'check', boreMm: boreMm(run) },
            }),
          },
        },
      ]
    }),
})
