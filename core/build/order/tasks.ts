import { group } from 'd3-array'
import { cementH, SLAB_DAYS, warmthOf, type Task, type Warmth } from './task'
import { cornersOf, type Piece, piecesOf } from '../pieces'
import { madeLast } from '../loops'
import { MATERIALS } from '../materials'
import { mainPipe } from '../takeoff/lines'
import { listed } from '../../words'
import { graphOf, nameOf, roleOf, runName, tanksOf, weatherMonths, type Run, type Site } from '../../site'
import type { NodeOf, Part, Tank } from '../../kinds'

const FUMES = 'Cement and primer give off fumes: work in the open or with the doors wide, away from flames.'
const LADDER = 'Foot the ladder, tie it, and have somebody hold it.'
const TRENCH = 'A trench deeper than a metre is shored or sloped; nobody works in one alone. Ask for cables first.'
const LIFTING = 'Push it upright over a mat; keep hands and feet from under it.'
const ENTER = 'Nobody climbs into a tank. What cannot be reached through the lid is fitted before it stands.'
const ELECTRIC = 'A licensed electrician connects it, behind a residual-current device; the code decides.'

/** How heavy one person lifts, and two. */
const [ONE_KG, TWO_KG] = [25, 60]

/** Everything that is to be done for a plan, with what each waits for; in no order yet. */
export function tasksOf(site: Site, month = warmestMonth(site)): Task[] {
  const { tMinC, tMaxC } = weatherMonths(site)[month - 1]!
  const warmth = warmthOf((tMinC + tMaxC) / 2)
  const piecesOfRun = group(piecesOf(site), ({ run }) => run)
  const last = madeLast(site)
  return [
    ...tanksOf(site).flatMap(tank => tankTasks(site, tank, warmth)),
    ...site.nodes.flatMap(node => (node.kind === 'chamber' ? chamberTasks(site, node) : [])),
    ...site.nodes.flatMap(node => (node.kind === 'spout' ? spoutTasks(site, node) : [])),
    ...site.runs.flatMap(run => runTasks(site, run, piecesOfRun.get(run) ?? [], warmth, last.get(run.id) ?? [])),
    ...waterTasks(site),
  ]
}
function warmestMonth(site: Site): number {
  const months = weatherMonths(site)
  return months.reduce((best, { tMaxC }, at) => (tMaxC > months[best]!.tMaxC ? at : best), 0) + 1
}

const task = (told: Omit<Task, 'tools' | 'cautions' | 'people' | 'after'> & Partial<Task>): Task => ({
  people: 1,
  tools: [],
  cautions: [],
  after: [],
  ...told,
})

/** How each base is made: in words, in minutes for each square metre, and with what. */
const BASE_WORK: Record<
  Tank['base'],
  { what: (name: string) => string; perM2: [number, number]; tools: string[] } | undefined
> = {
  'bare-soil': undefined,
  gravel: {
    what: name => `Dig out, curb, fill and stamp the gravel for ${name}, level both ways`,
    perM2: [25, 45],
    tools: ['spade', 'tamper', 'level'],
  },
  slab: {
    what: name => `Shutter and pour the slab for ${name}, level both ways, and keep it damp`,
    perM2: [60, 110],
    tools: ['spade', 'mixer', 'level', 'float'],
  },
  blocks: {
    what: name => `Bed the blocks for ${name} on stamped gravel, level both ways`,
    perM2: [25, 50],
    tools: ['spade', 'tamper', 'level'],
  },
  stand: {
    what: name => `Build the stand for ${name}: footings, posts, beams, bracing, deck`,
    perM2: [120, 260],
    tools: ['saw', 'drill', 'spanners', 'level'],
  },
  buried: {
    what: name => `Dig the pit for ${name} and bed it in sand`,
    perM2: [120, 300],
    tools: ['digger or spades', 'level'],
  },
}

function tankTasks(site: Site, tank: Tank, warmth: Warmth): Task[] {
  const { id, name } = tank
  const graph = graphOf(site)
  const used = tank.ports.filter(port => port.spare || graph.at(id).some(run => portsAt(run, id).includes(port.name)))
  const base = BASE_WORK[tank.base]
  const areaM2 = Math.max(0.5, footprintM2(tank))
  const count = used.length
  const people = tank.emptyMassKg > TWO_KG ? 3 : tank.emptyMassKg > ONE_KG ? 2 : 1
  const tasks: Task[] = []
  if (base) {
    const poured = tank.base === 'slab' || tank.base === 'stand'
    tasks.push(
      task({
        id: `base:${id}`,
        work: 'base',
        what: base.what(name),
        at: [id],
        minutes: [Math.round(base.perM2[0] * areaM2), Math.round(base.perM2[1] * areaM2)],
        people: areaM2 > 3 || tank.base === 'stand' ? 2 : 1,
        tools: base.tools,
        weather: poured ? 'frost-free' : 'dry',
        cautions: tank.base === 'buried' ? [TRENCH] : [],
        ...(poured ? { curesH: 24 * SLAB_DAYS[warmth] } : {}),
      }),
    )
  }
  if (count)
    tasks.push(
      task({
        id: `holes:${id}`,
        work: 'holes',
        what: `Mark ${name} twice and cut ${count === 1 ? 'its hole' : `its ${count} holes`}, lying on the ground`,
        at: [id],
        minutes: [8 * count, 15 * count],
        tools: ['hole saws', 'drill', 'rule', 'file'],
        cautions: ['Keep the piece that is cut out from falling in, and every shaving out of the tank.'],
      }),
      task({
        id: `wall:${id}`,
        work: 'wall',
        what: `Fittings through the wall of ${name}: ring inside, nut outside by hand and half a turn; valves and caps on them`,
        at: [id],
        after: [`holes:${id}`],
        minutes: [15 * count, 30 * count],
        tools: ['two spanners', 'thread tape'],
        cautions: [
          'Tape goes on the way the thread screws in. Metal into plastic no more than a turn past hand.',
          ENTER,
        ],
      }),
    )
  tasks.push(
    task({
      id: `stand:${id}`,
      work: 'stand',
      what:
        tank.base === 'buried'
          ? `Lower ${name} into its pit and fill round it in layers`
          : `Stand ${name} up on its base, its fittings where their lines come`,
      at: [id],
      after: [...(base ? [`base:${id}`] : []), ...(count ? [`wall:${id}`] : [])],
      minutes: [15 * people, 40 * people],
      people,
      tools: ['mat', ...(people > 2 ? ['straps'] : [])],
      cautions: [LIFTING, ...(tank.baseM - tank.groundM > 1.5 ? ['A stand this tall is for an engineer to say.'] : [])],
    }),
  )
  const inner = insideOf(tank)
  if (inner.length)
    tasks.push(
      task({
        id: `inside:${id}`,
        work: 'inside',
        what: `Through the lid of ${name}: ${listed(inner)}`,
        at: [id],
        after: [`stand:${id}`],
        minutes: [10 * inner.length, 25 * inner.length],
        cautions: [ENTER],
      }),
    )
  return tasks
}
const portsAt = (run: Run, id: string): string[] =>
  [run.from, run.to].flatMap(end => (end.node === id ? [end.port] : []))
function footprintM2({ shape }: Tank): number {
  if (shape.shape === 'upright-cylinder') return (Math.PI / 4) * shape.diameterM ** 2
  return shape.lengthM * (shape.shape === 'box' ? shape.widthM : shape.diameterM)
}

/** What is fitted from the lid, while it is empty. */
function insideOf({ inletStyle, ports, ventMm }: Tank): string[] {
  return [
    ...(inletStyle === 'calmed' ? ['the calmed inlet, its mouth turned up, an air hole at its top'] : []),
    ...(ports.some(({ floating }) => floating) ? ['the floating intake and its tether, clear of any float valve'] : []),
    ...(ventMm > 0 ? ['the vent and its mesh'] : []),
  ]
}

function chamberTasks(_site: Site, { id, name, form }: NodeOf<'chamber'>): Task[] {
  return [
    task({
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
    task({
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

/** Parts that let water through one way, whose arrow is looked at twice. */
const ARROWED: ReadonlySet<Part['kind']> = new Set(['check', 'filter', 'lamp', 'meter', 'pump', 'float'])
const arrowsOf = (site: Site, run: Run): string =>
  run.parts.some(({ kind }) => ARROWED.has(kind)) ? `, arrows towards ${nameOf(site, run.to.node)}` : ''

function runTasks(
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
      task({
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
      task({
        id: `cut:${run.id}`,
        work: 'cut',
        what: `Cut and mark ${pieces.map(({ label }) => label).join(', ')} for ${name}`,
        at: [run.id],
        minutes: [4 * pieces.length, 8 * pieces.length],
        tools: ['saw or cutter', 'rule', 'marker', 'file'],
      }),
    )
  tasks.push(
    task({
      id: `dry:${run.id}`,
      work: 'dry',
      what: `Put ${name} together dry, and mark across each joint${arrowsOf(site, run)}`,
      at: [run.id],
      after: [...ends, ...(pieces.length ? [`cut:${run.id}`] : []), ...(buried ? [`trench:${run.id}`] : [])],
      minutes: [5 * joints, 10 * joints],
      tools: ['marker', 'level'],
    }),
    task({
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
      task({
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
      task({
        id: `pump:${run.id}`,
        work: 'pump',
        what: `Set the pump of ${name} between its unions; its cord leaves above the highest water`,
        at: [run.id],
        after: [`make:${run.id}`],
        minutes: [40, 90],
        tools: ['two spanners', 'rope'],
      }),
      task({
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

/** Water comes in once all that meets a tank is made, cured and looked at; a line is tight before it is covered. */
function waterTasks(site: Site): Task[] {
  const graph = graphOf(site)
  const fills = tanksOf(site).map(({ id, name, ports, ventMm, inletStyle }): Task => {
    const runs = graph.at(id).filter(run => roleOf(site, run.from) !== undefined || run.to.node === id)
    const inner = insideOf({ ports, ventMm, inletStyle } as Tank).length > 0
    return task({
      id: `fill:${id}`,
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
      task({
        id: `tight:${run.id}`,
        work: 'water',
        what: `Let water into “${runName(site, run)}” and look at every joint`,
        at: [run.id],
        after: [`make:${run.id}`, ...(from?.kind === 'tank' ? [`fill:${from.id}`] : [])],
        minutes: [10, 30],
      }),
    ]
  })
  const roofs = new Map(tight.map(each => [each.id, each]))
  return [...fills, ...roofs.values()]
}
