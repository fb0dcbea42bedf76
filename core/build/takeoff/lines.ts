import { group } from 'd3-array'
import { idOf, type List, type ItemText } from './items'
import { flow, length, say } from '../../words'
import { chains, WEIGHINGS } from '../chain'
import { cutSheets } from '../cutSheets'
import { boughtAs, fittingPrice, MATERIALS, metrePrice, pipeId, type Bought } from '../materials'
import type { Piece } from '../pieces'
import { graphOf, roleOf, type Run, type Site } from '../../site'
import { boreOfPart, type NodeOf, type Part, type PartKind, type Port } from '../../kinds'
import { guessedPumpPrice, mates, TREATMENT_LOSS, type End } from '../../catalog'
import { boreMm, drawnBy } from '../../network'

/** A size as it is told of a pipe and of what goes with it. */
export const sizeOf = (bought: Bought): string => shelfSize(bought) + suffix(bought.material)
/** The size alone, as what goes round a pipe is called by it too. */
export const shelfSize = ({ size }: Bought): string => (/\d$/.test(size) ? `${size} mm` : size)
const suffix = (material: Bought['material']): string =>
  material === 'drain' ? ' drain' : ` ${MATERIALS[material].name}`

const fittingId = (kind: string, { material, size }: Bought): string => `${kind}:${material}:${size}`
const fitting = (what: string, kind: string, bought: Bought, times: number, found = 1): ItemText => ({
  id: fittingId(kind, bought),
  what,
  size: sizeOf(bought),
  guess: fittingPrice(bought, times),
  found: bought.outerMm > 70 && bought.material !== 'drain' ? found + 1 : found,
  group: 'fittings',
})

/** The pipe that a run is mostly of: its longest, else what its bore would be laid in. */
export function mainPipe(site: Site, run: Run): Bought {
  const pipes = run.parts.filter(part => part.kind === 'pipe').sort((a, b) => b.lengthM - a.lengthM)
  return boughtAs(site, run, pipes[0] ?? { innerDiameterMm: boreMm(run) })
}
const boughtFor = (site: Site, run: Run, part: Part): Bought => {
  const own = boreOfPart(part)
  return own === undefined ? mainPipe(site, run) : boughtAs(site, run, { innerDiameterMm: own })
}

/** How a part is bought: with threads or sockets, what a guess of it is, and how hard it is to find. */
interface PartBuy {
  threaded: boolean
  buys: (site: Site, run: Run, part: never) => ItemText | undefined
}
const part = (what: string, kind: string, bought: Bought, times: number, found = 1): ItemText => ({
  ...fitting(what, kind, bought, times, found),
  group: 'parts',
})
const PARTS = {
  pipe: { threaded: false, buys: () => undefined },
  valve: { threaded: false, buys: (site, run, of) => part('ball valve', 'valve', boughtFor(site, run, of), 7) },
  check: { threaded: false, buys: (site, run, of) => part('check valve', 'check', boughtFor(site, run, of), 9, 2) },
  float: { threaded: true, buys: (site, run, of) => part('float valve', 'float', boughtFor(site, run, of), 16, 2) },
  screen: {
    threaded: false,
    buys: (site, run, { meshMm, id }: Extract<Part, { kind: 'screen' }>) =>
      part('screen', id ? `screen-${meshMm}` : 'screen', mainPipe(site, run), 6, 2),
  },
  filter: {
    threaded: true,
    buys: (_, __, { medium, ratingUm }: Extract<Part, { kind: 'filter' }>) => ({
      id: `filter:${medium}:${ratingUm}`,
      what: medium === 'carbon' ? 'carbon filter in its housing' : 'cartridge filter in its housing',
      size: medium === 'carbon' ? '' : `${ratingUm} µm`,
      guess: 45,
      found: 2,
      group: 'parts',
    }),
  },
  lamp: {
    threaded: true,
    buys: (_, __, { ratedLps, sensor }: Extract<Part, { kind: 'lamp' }>) => ({
      id: `lamp:${ratedLps}${sensor ? ':sensor' : ''}`,
      what: `ultraviolet lamp${sensor ? ' with sensor' : ''}`,
      size: say`${flow(ratedLps)}`,
      guess: Math.round(220 * Math.max(1, ratedLps / TREATMENT_LOSS.sediment.ratedLps) ** 0.6) + (sensor ? 180 : 0),
      found: 3,
      group: 'parts',
    }),
  },
  pump: {
    threaded: true,
    buys: (site, _, pump: Extract<Part, { kind: 'pump' }>) => ({
      id: `pump:${pump.id}`,
      what: `${pump.pump} pump`,
      size: say`${flow(pump.flowLps)} at ${length(pump.headM)}`,
      guess: pump.price ?? guessedPumpPrice(pump.pump, drawnBy(site, pump, pump).inputW),
      found: 3,
      group: 'parts',
    }),
  },
  union: { threaded: false, buys: (site, run, of) => part('union', 'union', boughtFor(site, run, of), 3.5) },
  reducer: {
    threaded: false,
    buys: (site, run, { fromMm, toMm }: Extract<Part, { kind: 'reducer' }>) => {
      const [one, two] = [fromMm, toMm].map(innerDiameterMm => boughtAs(site, run, { innerDiameterMm })) as [
        Bought,
        Bought,
      ]
      const wide = one.outerMm > two.outerMm ? one : two
      return { ...part('reducer', `reducer-${two.size}`, wide, 1.3), size: `${sizeOf(one)} to ${sizeOf(two)}` }
    },
  },
  flexible: {
    threaded: true,
    buys: (site, run, of) => part('flexible coupling', 'flexible', boughtFor(site, run, of), 10, 2),
  },
  meter: { threaded: true, buys: (site, run, of) => part('water meter', 'meter', boughtFor(site, run, of), 24, 2) },
  regulator: {
    threaded: true,
    buys: (site, run, of: Extract<Part, { kind: 'regulator' }>) =>
      part('pressure regulator with its gauge', 'regulator', boughtFor(site, run, of), 38, 2),
  },
  relief: {
    threaded: true,
    buys: (site, run, { setKPa }: Extract<Part, { kind: 'relief' }>) => ({
      ...part('relief valve', `relief-${setKPa}`, mainPipe(site, run), 12, 2),
    }),
  },
} satisfies Record<PartKind, PartBuy>
const rowOf = (kind: PartKind): PartBuy => PARTS[kind]

/** Joints by how they are made, with what each is across: what tins and rolls are reckoned from. */
export interface Joint {
  by: Bought['material'] | 'threaded'
  outerMm: number
  runId: string
}

/** Everything that lines are made of. */
export function takeOffLines(site: Site, list: List, pieces: readonly Piece[]): Joint[] {
  takeOffPipe(site, list)
  const joints: Joint[] = []
  const piecesOfRun = group(pieces, ({ run }) => run)
  for (const run of site.runs) joints.push(...takeOffRun(site, list, run, piecesOfRun.get(run) ?? []))
  for (const node of site.nodes) if (node.kind === 'joint') joints.push(...takeOffJoint(site, list, node))
  return joints
}

/** Pipe by the lengths that are still to be bought, or by the coil: what is there already is cut from first. */
function takeOffPipe(site: Site, list: List): void {
  for (const { bought, pieces, stocks } of cutSheets(site)) {
    const buys = stocks.length
      ? stocks.flatMap(stock => (stock.own ? [] : [stock.stockM]))
      : pieces.map(({ cutM }) => cutM)
    for (const stockM of buys)
      list.add(
        {
          id: `${pipeId(bought)}:${stockM}`,
          what: MATERIALS[bought.material].coils ? 'pipe, a coil' : 'pipe, a length',
          size: say`${sizeOf(bought)}, ${length(stockM)}`,
          guess: Math.round(metrePrice(bought) * stockM * 20) / 20,
          found: bought.outerMm > 70 && bought.material !== 'drain' ? 2 : 1,
          group: 'pipes',
        },
        1,
        pieces[0]!.run.id,
      )
  }
}

function takeOffRun(site: Site, list: List, run: Run, pieces: readonly Piece[]): Joint[] {
  const joints: Joint[] = []
  const join = ({ material, outerMm }: Bought, count = 1) => {
    for (let times = 0; times < count; times++) joints.push({ by: material, outerMm, runId: run.id })
  }
  const thread = (outerMm: number) => joints.push({ by: 'threaded', outerMm, runId: run.id })
  const ends = pieces.flatMap(piece => piece.ends.map(end => ({ ...end, bought: piece.bought })))
  const swapped = new Set(site.build?.swaps)
  // A fitting between two pieces is the end of both.
  const TIMES = { 'elbow-90': 1, 'elbow-45': 1.1, coupling: 0.7 } as const
  const WORDS = { 'elbow-90': 'elbow, 90°', 'elbow-45': 'elbow, 45°', coupling: 'coupling' } as const
  for (const { into, bought } of ends)
    if (into === 'elbow-90' || into === 'elbow-45' || into === 'coupling') {
      const halves = into === 'elbow-90' && swapped.has(idOf(fittingId(into, bought)))
      const kind = halves ? 'elbow-45' : into
      list.add(fitting(WORDS[kind], kind, bought, TIMES[kind]), halves ? 1 : 0.5, run.id)
      join(bought, halves ? 2 : 1)
    }
  run.parts.forEach((each, at) => {
    const { threaded, buys } = rowOf(each.kind)
    const told = (buys as (site: Site, run: Run, part: Part) => ItemText | undefined)(site, run, each)
    if (told) list.add(told, 1, run.id)
    if (each.kind === 'pipe') return
    const bought = each.kind === 'screen' ? mainPipe(site, run) : boughtFor(site, run, each)
    if (!threaded) return join(bought, 2)
    for (const [side, neighbour] of [
      ['before', run.parts[at - 1]],
      ['behind', run.parts[at + 1]],
    ] as const) {
      thread(bought.outerMm)
      if (neighbour && rowOf(neighbour.kind).threaded) {
        // Two threads meet by a nipple, told once.
        if (side === 'behind') list.add({ ...fitting('nipple', 'nipple', bought, 1.2), group: 'fittings' }, 1, run.id)
      } else if (MATERIALS[bought.material].joint !== 'thread')
        list.add(fitting('adapter to an outside thread', 'male-adapter', bought, 1.1), 1, run.id)
    }
  })
  for (const end of ['from', 'to'] as const) joints.push(...takeOffEnd(site, list, run, end))
  return joints
}

/** What brings a run to a tank's wall: a bulkhead where it has no end of its own, else what leads from that end to pipe. */
function takeOffEnd(site: Site, list: List, run: Run, end: 'from' | 'to'): Joint[] {
  const node = graphOf(site).node(run[end].node)
  if (node?.kind !== 'tank') return []
  const port = node.ports.find(({ name }) => name === run[end].port)
  if (!port) return []
  const bought = mainPipe(site, run)
  const glue: Joint = { by: bought.material, outerMm: bought.outerMm, runId: run.id }
  if (roleOf(site, run[end]) === 'inlet' && bought.material === 'drain') {
    // A roof's line comes in through a hole with a rubber ring.
    list.add(
      { ...fitting('rubber ring for a hole in the wall', 'wall-ring', bought, 1.6, 2), group: 'walls' },
      1,
      run.id,
    )
    return [glue]
  }
  const chain = port.end && chainAt(site, port as Port & { end: End }, bought)
  if (chain) {
    for (const { adapter, price } of chain.steps)
      list.add({ id: adapter.id, what: adapter.name, guess: price, found: adapter.found, group: 'walls' }, 1, run.id)
    return [...chain.joints.map((): Joint => ({ by: 'threaded', outerMm: bought.outerMm, runId: run.id })), glue]
  }
  list.add({ ...fitting('bulkhead fitting', 'bulkhead', bought, 5, 2), group: 'walls' }, 1, run.id)
  if (MATERIALS[bought.material].joint !== 'thread')
    list.add(fitting('adapter to an outside thread', 'male-adapter', bought, 1.1), 1, run.id)
  return [{ by: 'threaded', outerMm: bought.outerMm, runId: run.id }, glue]
}

/** The end of a pipe as a chain comes to it. */
export const pipeEnd = ({ material, endSize }: Bought): End => ({
  family: MATERIALS[material].end,
  size: endSize,
  sex: 'male',
})

/** The least chain from a port's own end to its line's pipe; nothing where none meets, or nobody has said what it is. */
export function chainAt(site: Site, port: Port & { end: End }, bought: Bought) {
  const to = pipeEnd(bought)
  if (mates(port.end, to)) return { steps: [], joints: [], price: 0 }
  const prices = new Map(site.prices?.flatMap(({ id, price }) => (price === undefined ? [] : [[id, price] as const])))
  return chains(port.end, to, WEIGHINGS.cheapest, 1, prices)[0]
}

/** Tees where lines part: as wide as the widest, with bushes for the narrower; a cap on what waits for next year. */
function takeOffJoint(site: Site, list: List, node: NodeOf<'joint'>): Joint[] {
  const runs = graphOf(site).at(node.id)
  const pipes = runs.map(run => mainPipe(site, run)).sort((a, b) => b.outerMm - a.outerMm)
  const [widest] = pipes
  if (!widest) return []
  const joined = pipes.map((of): Joint => ({ by: of.material, outerMm: of.outerMm, runId: runs[0]!.id }))
  if (runs.length === 1) list.add(fitting('cap', 'cap', widest, 0.6), 1, node.id)
  else if (runs.length === 2) list.add(fitting('coupling', 'coupling', widest, 0.7), 1, node.id)
  else list.add(fitting('tee', 'tee', widest, 1.4), runs.length - 2, node.id)
  for (const narrow of pipes)
    if (narrow.outerMm < widest.outerMm - 1 || narrow.material !== widest.material)
      list.add(
        {
          ...fitting('reducing bush', `bush-${narrow.size}`, widest, 0.9),
          size: `${sizeOf(widest)} to ${sizeOf(narrow)}`,
        },
        1,
        node.id,
      )
  return joined
}
