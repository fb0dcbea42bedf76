import { defineCheck, nodeSubject, type Finding } from '../finding'
import { say, volume } from '../../words'
import { setField } from '../../moves'
import { fillL } from '../../network'
import { portId, tanksOf, type Site } from '../../site'
import { fitNow, stagesOf, tasksOf } from '../../build'

export const stageEmpties = defineCheck({
  id: 'stage-empties',
  step: 'build',
  harms: 'season',
  needs: ['site'],
  sound: 'No later stage needs a tank to be emptied for it',
  find: ({ site }) => {
    const stages = stagesOf(site)
    return stages.slice(0, -1).flatMap((stage, at) =>
      fitNow(site, at).flatMap(({ nodeId, port, ready, words, runId }): Finding[] => {
        const tank = tanksOf(site).find(({ id }) => id === nodeId)
        if (!tank || ready) return []
        return [
          {
            id: `stage-empties:${runId}:${nodeId}`,
            check: 'stage-empties',
            severity: 'look',
            subject: nodeSubject(tank),
            sentence: say`After “${stage.name}” ${tank.name} must be emptied for what comes next: ${words}.`,
            why: say`Nothing shuts that hole until then. A valve or a cap now costs twenty minutes; later it costs
              ${volume(fillL(site, nodeId))} let out.`,
            numbers: { litres: fillL(site, nodeId) },
            mend: { label: 'Fit a valve for it now', move: setField('port', portId(nodeId, port), 'spare', 'valve') },
          },
        ]
      }),
    )
  },
})

const DAY_H = 24
const daysBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / (1000 * 3600 * DAY_H)

/** Tasks that were done before what they wait for had cured. */
function tooSoon(site: Site): { base: string; then: string; waited: number; wantedDays: number; what: string }[] {
  const done = new Map(site.build?.done?.map(({ task, on }) => [task, on]))
  if (!done.size) return []
  const tasks = tasksOf(site)
  return tasks.flatMap(task =>
    task.after.flatMap(id => {
      const before = tasks.find(each => each.id === id)
      const [on, then] = [done.get(id), done.get(task.id)]
      if (!before?.curesH || !id.startsWith('base:') || !on || !then) return []
      const [waited, wantedDays] = [daysBetween(on, then), before.curesH / DAY_H]
      return waited < wantedDays ? [{ base: id, then: task.id, waited, wantedDays, what: task.what }] : []
    }),
  )
}

export const baseTooFresh = defineCheck({
  id: 'base-too-fresh',
  step: 'build',
  harms: 'people',
  needs: ['site'],
  sound: 'No base was loaded before it had cured',
  find: ({ site }) =>
    tooSoon(site).map(({ base, waited, wantedDays }): Finding => {
      const tank = tanksOf(site).find(({ id }) => `base:${id}` === base)!
      return {
        id: `base-too-fresh:${tank.id}`,
        check: 'base-too-fresh',
        severity: 'wrong',
        subject: nodeSubject(tank),
        sentence: say`${tank.name} was stood up ${Math.max(0, waited)} days after its base was poured; it wants
          ${wantedDays}.`,
        why: say`Concrete gains its strength over days, and cracks under a load that comes first.
          Leave the tank empty until it has cured, and look for cracks before it is filled.`,
        numbers: { waitedDays: waited, wantedDays },
      }
    }),
})
