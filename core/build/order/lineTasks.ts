import { cementH, newTask, TRENCH, type Task, type Warmth } from './task'
import { cornersOf, type Piece } from '../pieces'
import { MATERIALS } from '../materials'
import { mainPipe } from '../takeoff/lines'
import { graphOf, nameOf, runName, type Run, type Site } from '../../site'
import { rowOf } from '../../kinds'

const FUMES = 'Cement and primer give off fumes: work in the open or with the doors wide, away from flames.'
const ELECTRIC = 'A licensed electrician connects it, behind a residual-current device; the code decides.'

const arrowsOf = (site: Site, run: Run): string =>
  run.parts.some(part => rowOf(part).arrow) ? `, arrows towards ${nameOf(site, run.to.node)}` : ''

/** What a line asks for, from its trench to the switch of its pump. */
export function lineTasks(
  site: Site,
  run: Run,
  pieces: readonly Piece[],
  warmth: Warmth,
  afterRuns: readonly string[],
): Task[] {
  const name = `“${runName(site, run)}”`
  const graph = graphOf(site)
  const bought = mainPipe(site, run)
  const { joint } = MATERIALS[bought.material]
  const ends = [run.from.node, run.to.node].flatMap(id => {
    const kind = graph.node(id)?.kind
    return kind === 'tank' || kind === 'chamber' ? [`stand:${id}`] : []
  })
  const joints = Math.max(
    2,
    2 * run.parts.filter(({ kind }) => kind !== 'pipe').length + cornersOf(site, run).length * 2,
  )
  const buried = run.frostProof === 'buried'
  const lengthM = pieces.reduce((sum, { betweenM }) => sum + betweenM, 0)
  const tasks: Task[] = []
  if (buried)
    tasks.push(
      newTask({
        id: `trench:${run.id}`,
        work: 'trench',
        what: `Dig the trench for ${name}, below the frost, falling all one way`,
        at: [run.id],
        minutes: [Math.round(12 * lengthM), Math.round(35 * lengthM)],
        people: 2,
        tools: ['spades', 'string', 'level'],
        cautions: [TRENCH],
      }),
    )
  if (pieces.length)
    tasks.push(
      newTask({
        id: `cut:${run.id}`,
        work: 'cut',
        what: `Cut and mark ${pieces.map(({ label }) => label).join(', ')} for ${name}`,
        at: [run.id],
        minutes: [4 * pieces.length, 8 * pieces.length],
        tools: ['saw or cutter', 'rule', 'marker', 'file'],
      }),
    )
  tasks.push(
    newTask({
      id: `dry:${run.id}`,
      work: 'dry',
      what: `Put ${name} together dry, and mark across each joint${arrowsOf(site, run)}`,
      at: [run.id],
      after: [...ends, ...(pieces.length ? [`cut:${run.id}`] : []), ...(buried ? [`trench:${run.id}`] : [])],
      minutes: [5 * joints, 10 * joints],
      tools: ['marker', 'level'],
    }),
    newTask({
      id: `make:${run.id}`,
      work: 'make',
      what: `${MAKES[joint]} ${name}, mark to mark${arrowsOf(site, run)}`,
      at: [run.id],
      after: [`dry:${run.id}`, ...afterRuns.map(id => `make:${id}`)],
      minutes: [3 * joints, 6 * joints],
      people: joint === 'cement' && bought.outerMm > 60 ? 2 : 1,
      tools: joint === 'cement' ? ['cement', 'primer', 'rag'] : ['two spanners'],
      weather: joint === 'cement' ? 'dry' : undefined,
      cautions: joint === 'cement' ? [FUMES] : [],
      ...(joint === 'cement' ? { curesH: cementH(bought.outerMm, warmth) } : {}),
    }),
  )
  if (pieces.length)
    tasks.push(
      newTask({
        id: `hold:${run.id}`,
        work: 'hold',
        what: buried
          ? `Bed ${name} in sand and fill the trench, a warning tape above it`
          : `Clip ${name}, and lag what frost reaches`,
        at: [run.id],
        after: buried ? [`make:${run.id}`, `tight:${run.id}`] : [`make:${run.id}`],
        minutes: [Math.round(2 * lengthM) + 10, Math.round((buried ? 15 : 5) * lengthM) + 20],
      }),
    )
  if (run.parts.some(({ kind }) => kind === 'pump'))
    tasks.push(
      newTask({
        id: `pump:${run.id}`,
        work: 'pump',
        what: `Set the pump of ${name} between its unions; its cord leaves above the highest water`,
        at: [run.id],
        after: [`make:${run.id}`],
        minutes: [40, 90],
        tools: ['two spanners', 'rope'],
      }),
      newTask({
        id: `switch:${run.id}`,
        work: 'switch',
        what: `Connect and switch on the pump of ${name}, last of all`,
        at: [run.id],
        after: [`pump:${run.id}`, `tight:${run.id}`],
        minutes: [45, 120],
        cautions: [ELECTRIC],
      }),
    )
  return tasks
}
const MAKES = {
  cement: 'Glue',
  nut: 'Draw up the nuts of',
  solder: 'Solder',
  thread: 'Screw up',
  ring: 'Push home',
} as const
