import { fillTask } from '../filled'
import { group } from 'd3-array'
import { lineTasks } from './lineTasks'
import { insideFittings, tankTasks } from './tankTasks'
import { newTask, warmthOf, type Task } from './task'
import { piecesOf } from '../pieces'
import { madeLast } from '../loops'
import { graphOf, roleOf, runName, tanksOf, weatherMonths, type Site } from '../../site'
import type { NodeOf } from '../../kinds'

const LADDER = 'Foot the ladder, tie it, and have somebody hold it.'

/** Everything that is to be done for a plan, with what each waits for; in no order yet. */
export function tasksOf(site: Site, month = warmestMonth(site)): Task[] {
  const { tMinC, tMaxC } = weatherMonths(site)[month - 1]!
  const warmth = warmthOf((tMinC + tMaxC) / 2)
  const piecesOfRun = group(piecesOf(site), ({ run }) => run)
  const last = madeLast(site)
  return [
    ...tanksOf(site).flatMap(tank => tankTasks(site, tank, warmth)),
    ...site.nodes.flatMap(node => (node.kind === 'chamber' ? chamberTasks(node) : [])),
    ...site.nodes.flatMap(node => (node.kind === 'spout' ? spoutTasks(site, node) : [])),
    ...site.runs.flatMap(run => lineTasks(site, run, piecesOfRun.get(run) ?? [], warmth, last.get(run.id) ?? [])),
    ...waterTasks(site),
  ]
}
function warmestMonth(site: Site): number {
  const months = weatherMonths(site)
  return months.reduce((best, { tMaxC }, at) => (tMaxC > months[best]!.tMaxC ? at : best), 0) + 1
}

function chamberTasks({ id, name, form }: NodeOf<'chamber'>): Task[] {
  return [
    newTask({
      id: `stand:${id}`,
      work: 'stand',
      what:
        form === 'drum'
          ? `Set the drum of ${name} where it can be opened`
          : `Hang the pipe of ${name}, its clean-out at the foot`,
      at: [id],
      minutes: [30, 60],
      tools: ['drill', 'level'],
    }),
  ]
}

function spoutTasks(site: Site, { id, name, baseM, groundM }: NodeOf<'spout'>): Task[] {
  const first = graphOf(site).outOf(id)[0]
  return [
    newTask({
      id: `roof:${id}`,
      work: 'roof',
      what: `Turn ${name} into its line, last of all`,
      at: [id],
      after: first ? [`make:${first.id}`] : [],
      minutes: [20, 45],
      people: baseM - groundM > 2 ? 2 : 1,
      weather: 'dry',
      cautions: baseM - groundM > 2 ? [LADDER] : [],
    }),
  ]
}

/** Water comes in once all that meets a tank is made, cured and looked at; a line is tight before it is covered. */
function waterTasks(site: Site): Task[] {
  const graph = graphOf(site)
  const fills = tanksOf(site).map(({ id, name, ports, ventMm, inletStyle }): Task => {
    const runs = graph.at(id).filter(run => roleOf(site, run.from) !== undefined || run.to.node === id)
    const inner = insideFittings({ ports, ventMm, inletStyle }).length > 0
    return newTask({
      id: fillTask(id),
      work: 'water',
      what: `Fill ${name} a hand’s breadth over its lowest hole, look, tighten, and fill`,
      at: [id],
      after: [`stand:${id}`, ...(inner ? [`inside:${id}`] : []), ...runs.map(run => `make:${run.id}`)],
      minutes: [20, 60],
      cautions: [
        'A full tote weighs as much as a small car, a big tank as much as several: nobody stands where it could tip.',
      ],
    })
  })
  const tight = site.runs.flatMap((run): Task[] => {
    const waits = run.frostProof === 'buried' || run.parts.some(({ kind }) => kind === 'pump')
    if (!waits) return []
    const from = graph.node(run.from.node)
    return [
      newTask({
        id: `tight:${run.id}`,
        work: 'water',
        what: `Let water into “${runName(site, run)}” and look at every joint`,
        at: [run.id],
        after: [`make:${run.id}`, ...(from?.kind === 'tank' ? [fillTask(from.id)] : [])],
        minutes: [10, 30],
      }),
    ]
  })
  return [...fills, ...tight]
}
