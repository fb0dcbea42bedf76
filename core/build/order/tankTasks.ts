import { newTask, SLAB_DAYS, TRENCH, type Task, type Warmth } from './task'
import { listed } from '../../words'
import { graphOf, type Run, type Site } from '../../site'
import type { Tank } from '../../kinds'

const LIFTING = 'Push it upright over a mat; keep hands and feet from under it.'
const ENTER = 'Nobody climbs into a tank. What cannot be reached through the lid is fitted before it stands.'
/** How heavy one person lifts, and two. */
const [ONE_KG, TWO_KG] = [25, 60]

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

/** What a tank asks for, from its base to what is fitted through its lid. */
export function tankTasks(site: Site, tank: Tank, warmth: Warmth): Task[] {
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
      newTask({
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
      newTask({
        id: `holes:${id}`,
        work: 'holes',
        what: `Mark ${name} twice and cut ${count === 1 ? 'its hole' : `its ${count} holes`}, lying on the ground`,
        at: [id],
        minutes: [8 * count, 15 * count],
        tools: ['hole saws', 'drill', 'rule', 'file'],
        cautions: ['Keep the piece that is cut out from falling in, and every shaving out of the tank.'],
      }),
      newTask({
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
    newTask({
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
  const inner = insideFittings(tank)
  if (inner.length)
    tasks.push(
      newTask({
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
export function insideFittings({ inletStyle, ports, ventMm }: Pick<Tank, 'inletStyle' | 'ports' | 'ventMm'>): string[] {
  return [
    ...(inletStyle === 'calmed' ? ['the calmed inlet, its mouth turned up, an air hole at its top'] : []),
    ...(ports.some(({ floating }) => floating) ? ['the floating intake and its tether, clear of any float valve'] : []),
    ...(ventMm > 0 ? ['the vent and its mesh'] : []),
  ]
}
