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

/** A line as its tasks speak of it. */
interface Work {
  run: Run
  name: string
  buried: boolean
  pieces: readonly Piece[]
  lengthM: number
  /** Joints that are put together and made. */
  joints: number
  /** What is bought for most of it, and how that is joined. */
  outerMm: number
  joint: keyof typeof MAKES
  arrows: string
}

function workOf(site: Site, run: Run, pieces: readonly Piece[]): Work {
  const { material, outerMm } = mainPipe(site, run)
  const fittings = run.parts.filter(({ kind }) => kind !== 'pipe').length
  return {
    run,
    name: `“${runName(site, run)}”`,
    buried: run.frostProof === 'buried',
    pieces,
    lengthM: pieces.reduce((sum, { betweenM }) => sum + betweenM, 0),
    joints: Math.max(2, 2 * fittings + cornersOf(site, run).length * 2),
    outerMm,
    joint: MATERIALS[material].joint,
    arrows: arrowsOf(site, run),
  }
}

/** What a line asks for, from its trench to the switch of its pump. */
export function lineTasks(
  site: Site,
  run: Run,
  pieces: readonly Piece[],
  warmth: Warmth,
  afterRuns: readonly string[],
): Task[] {
  const work = workOf(site, run, pieces)
  const graph = graphOf(site)
  const stands = [run.from.node, run.to.node].flatMap(id => {
    const kind = graph.node(id)?.kind
    return kind === 'tank' || kind === 'chamber' ? [`stand:${id}`] : []
  })
  return [
    ...(work.buried ? [trenchTask(work)] : []),
    ...(pieces.length ? [cutTask(work)] : []),
    dryTask(work, stands),
    makeTask(work, warmth, afterRuns),
    ...(pieces.length ? [holdTask(work)] : []),
    ...(run.parts.some(({ kind }) => kind === 'pump') ? pumpTasks(work) : []),
  ]
}

const trenchTask = ({ run, name, lengthM }: Work): Task =>
  newTask({
    id: `trench:${run.id}`,
    work: 'trench',
    what: `Dig the trench for ${name}, below the frost, falling all one way`,
    at: [run.id],
    minutes: [Math.round(12 * lengthM), Math.round(35 * lengthM)],
    people: 2,
    tools: ['spades', 'string', 'level'],
    cautions: [TRENCH],
  })

const cutTask = ({ run, name, pieces }: Work): Task =>
  newTask({
    id: `cut:${run.id}`,
    work: 'cut',
    what: `Cut and mark ${pieces.map(({ label }) => label).join(', ')} for ${name}`,
    at: [run.id],
    minutes: [4 * pieces.length, 8 * pieces.length],
    tools: ['saw or cutter', 'rule', 'marker', 'file'],
  })

const dryTask = ({ run, name, pieces, buried, joints, arrows }: Work, stands: readonly string[]): Task =>
  newTask({
    id: `dry:${run.id}`,
    work: 'dry',
    what: `Put ${name} together dry, and mark across each joint${arrows}`,
    at: [run.id],
    after: [...stands, ...(pieces.length ? [`cut:${run.id}`] : []), ...(buried ? [`trench:${run.id}`] : [])],
    minutes: [5 * joints, 10 * joints],
    tools: ['marker', 'level'],
  })

function makeTask({ run, name, joints, joint, outerMm, arrows }: Work, warmth: Warmth, afterRuns: readonly string[]) {
  const isGlued = joint === 'cement'
  return newTask({
    id: `make:${run.id}`,
    work: 'make',
    what: `${MAKES[joint]} ${name}, mark to mark${arrows}`,
    at: [run.id],
    after: [`dry:${run.id}`, ...afterRuns.map(id => `make:${id}`)],
    minutes: [3 * joints, 6 * joints],
    people: isGlued && outerMm > 60 ? 2 : 1,
    tools: isGlued ? ['cement', 'primer', 'rag'] : ['two spanners'],
    weather: isGlued ? 'dry' : undefined,
    cautions: isGlued ? [FUMES] : [],
    ...(isGlued ? { curesH: cementH(outerMm, warmth) } : {}),
  })
}

const holdTask = ({ run, name, buried, lengthM }: Work): Task =>
  newTask({
    id: `hold:${run.id}`,
    work: 'hold',
    what: buried
      ? `Bed ${name} in sand and fill the trench, a warning tape above it`
      : `Clip ${name}, and lag what frost reaches`,
    at: [run.id],
    after: buried ? [`make:${run.id}`, `tight:${run.id}`] : [`make:${run.id}`],
    minutes: [Math.round(2 * lengthM) + 10, Math.round((buried ? 15 : 5) * lengthM) + 20],
  })

const pumpTasks = ({ run, name }: Work): Task[] => [
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
]
const MAKES = {
  cement: 'Glue',
  nut: 'Draw up the nuts of',
  solder: 'Solder',
  thread: 'Screw up',
  ring: 'Push home',
} as const
