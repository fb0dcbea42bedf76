import { evenLaw, perVelocityHead, pipeLaw, squareLaw, type Law } from './laws'
import { heldHeadM, isDiaphragm, runningLaw, shutOffM, stoppedLaw } from './pumps'
import { eliminationOf, type Elimination } from './factor'
import { boreMm } from '../loss'
import { headOfPressureM, pipeVelocityMps } from '../../sums'
import { FITTING_K, TREATMENT } from '../../catalog'
import { floatShutsM, nodeById, onceLaid, overflowsOf, portHeightM, tanksOf, type Run, type Site } from '../../site'
import { boreOfPart, does, kOf, lengthOfPart, type NodeOf, type Part, type PartOf, type Tank } from '../../kinds'

/** Where water stands at a height of its own: a tank at one of its ports, a pressure tank, or any other known head. */
export type Fixed =
  | { kind: 'tank'; tank: Tank; portM: number }
  | { kind: 'pressureTank'; node: NodeOf<'pressureTank'> }
  | { kind: 'main'; node: NodeOf<'main'> }
  /** `gives`: water comes from there; from the open air none does. */
  | { kind: 'head'; headM: number; gives: boolean }

/** What stands in a tank or a pressure tank where time goes by: its head gives way as it is drawn on or filled. */
export interface Store {
  node: Tank | NodeOf<'pressureTank'>
  /** The link from its head at the beginning to what it becomes, and that first head’s place among the fixed ones. */
  link: number
  fixed: number
  /** How far its head falls, m, for each L/s drawn from it over the time; set before each search. */
  gives: { slope: number }
}

/** A hole in a tank's wall where time goes by: under water it is at the tank's head, above it open to the air. */
export interface Mouth {
  tankId: string
  port: string
  heightM: number
  /** The links that join it to the tank's water, and to the air. */
  wet: number
  dry: number
}

/** A way out over a tank's brim where time goes by: so much at the water's height, and so much more as it rises. */
export interface Brim {
  tankId: string
  /** The overflow's port; over the rim, none. */
  port?: string
  link: number
  fixed: number
  eases: { slope: number }
}

/** A pump in a link, the laws of the link before and after it apart, so that one that holds a pressure can be set. */
export interface PumpIn {
  part: PartOf<'pump'>
  running: Law
  stopped: Law
  shutOffM: number
  diaphragm: boolean
  /** What a variable-speed set holds behind it, above the datum, and what its line takes before and after it. */
  holds?: { headM: number; before: Law[]; after: Law[] }
}

/**
 * What has one flow from a place to another: a run, the rest of a run behind a relief valve, a tap’s mouth, or what a
 * source gives way. `from` and `to` count unknown heads first, then the fixed ones.
 */
export interface Link {
  runId?: string
  tap?: NodeOf<'tap'>
  from: number
  to: number
  /** The entry of the elimination between them, where both are unknown. */
  entry: number
  laws: Law[]
  pumps: PumpIn[]
  /** Water goes through it forward alone. */
  check: boolean
  shut: boolean
  /** The height of a tank’s water above the datum at which its float shuts this. */
  float?: { tank: Tank; shutsAtM: number }
  /** The holes that it leaves a tank by and comes into one by, where time goes by. */
  leavesBy?: string
  arrivesBy?: string
  /** Head that must be overcome before anything flows: a relief valve’s setting above its place. */
  opensAtM: number
  /** The bore in which its water goes fastest. */
  narrowestMm: number
  beginsAs: number
}

/** A site’s lines under pressure, in the shape in which they are solved. */
export interface Lines {
  site: Site
  unknowns: number
  fixed: Fixed[]
  /** Each unknown’s own height, for where no water reaches it. */
  heightM: number[]
  /** The place of each node of the document: an unknown, or a fixed head. */
  placeOf: Map<string, number>
  links: Link[]
  elimination: Elimination
  /** Where time goes by; else none. */
  stores: Store[]
  mouths: Map<string, Mouth>
  brims: Brim[]
}

/** Nodes of a site that belong to its lines under pressure: spouts and chambers belong to the storm. */
export const isUnderPressure = (site: Site, id: string): boolean =>
  !['spout', 'chamber'].includes(nodeById(site, id).kind)

/** What runs from a spout or a chamber, or to one, belongs to the storm too. */
const ofStorm = (site: Site, { from, to }: Run): boolean =>
  !isUnderPressure(site, from.node) || !isUnderPressure(site, to.node)

/** A site’s lines at a moment: what stands in tanks is at a head that does not move. */
export const linesOf = onceLaid((site: Site): Lines => laidOut(site, false))

/** A site’s lines while time goes by: tanks and pressure tanks give way, and overflows and rims let water go. */
export const linesOverTime = onceLaid((site: Site): Lines => laidOut(site, true))

/** What a hole in a tank is found by. */
export const mouthKey = (tankId: string, port: string): string => `${tankId} ${port}`

function laidOut(site: Site, overTime: boolean): Lines {
  const { waterTemperatureC } = site.place
  const heightM: number[] = []
  const fixed: Fixed[] = []
  const placeOf = new Map<string, number>()
  /** A place of which it is not yet known how many unknowns come before it. */
  type Place = { unknown: number } | { fixed: number }
  type Laid = Omit<Link, 'from' | 'to' | 'entry'> & { from: Place; to: Place }
  const links: Laid[] = []
  const places = new Map<string, Place>()
  const unknown = (atM: number): Place => ({ unknown: heightM.push(atM) - 1 })
  const held = (known: Fixed): Place => ({ fixed: fixed.push(known) - 1 })
  const air = (atM: number): Place => held({ kind: 'head', headM: atM, gives: false })
  const stores: Store[] = []
  const mouths = new Map<string, Mouth>()
  const brims: Brim[] = []
  const lay = (link: Partial<Laid> & Pick<Laid, 'from' | 'to'>): number => links.push({ ...plain, ...link }) - 1
  /** A law whose slope is told before each search. */
  const told = () => {
    const how = { slope: 0 }
    const law: Law = (flowLps, loss) => {
      loss.headM += how.slope * flowLps
      loss.slope += how.slope
    }
    return { how, law }
  }
  const store = (node: Store['node']): Place => {
    const { how, law } = told()
    const still = held({ kind: 'head', headM: node.baseM, gives: true })
    const water = unknown(node.baseM)
    stores.push({ node, link: lay({ from: still, to: water, laws: [law] }), fixed: fixed.length - 1, gives: how })
    return water
  }
  const mouth = (tank: Tank, port: string, heightM: number): Place => {
    const place = unknown(heightM)
    const wet = lay({ from: nodePlace(tank.id)!, to: place })
    const dry = lay({ from: place, to: air(heightM) })
    mouths.set(mouthKey(tank.id, port), { tankId: tank.id, port, heightM, wet, dry })
    return place
  }
  const brim = (tank: Tank, port?: string): void => {
    const { how, law } = told()
    const link = lay({ from: nodePlace(tank.id)!, to: air(tank.baseM), laws: [law] })
    brims.push({ tankId: tank.id, port, link, fixed: fixed.length - 1, eases: how })
  }
  const once = (key: string, make: () => Place): Place => {
    const place = places.get(key) ?? make()
    places.set(key, place)
    return place
  }
  const source = (still: Place, law: Law | undefined, atM: number): Place => {
    if (!law) return still
    const given = unknown(atM)
    lay({ from: still, to: given, laws: [law] })
    return given
  }

  function nodePlace(id: string): Place | undefined {
    const node = nodeById(site, id)
    switch (node.kind) {
      case 'spout':
      case 'chamber':
        return undefined
      case 'tank':
        return once(id, () => (overTime ? store(node) : held({ kind: 'tank', tank: node, portM: node.baseM })))
      case 'pressureTank':
        return once(id, () => (overTime ? store(node) : held({ kind: 'pressureTank', node })))
      case 'well': {
        const { specificCapacityLpsPerM: capacity } = node
        const headM = node.groundM - node.stillWaterDepthM
        const law = capacity === undefined ? undefined : evenLaw(1 / capacity)
        return once(id, () => source(held({ kind: 'head', headM, gives: true }), law, node.baseM))
      }
      case 'main': {
        const restM = headOfPressureM(node.pressureKPa)
        const test = node.flowTest
        const lostM = test && restM - headOfPressureM(test.pressureKPa)
        const law = lostM ? squareLaw(Math.max(0, lostM) / test.flowLps ** 2) : undefined
        return once(id, () => source(held({ kind: 'main', node }), law, node.baseM))
      }
      case 'outfall':
        return once(id, () => air(node.baseM))
      case 'joint':
        return once(id, () => unknown(node.baseM))
      case 'tap':
        return once(id, () => {
          const place = unknown(node.baseM)
          lay({ from: place, to: air(node.baseM), tap: node, check: true })
          return place
        })
    }
  }
  function endPlace(end: Run['from']): Place {
    const node = nodeById(site, end.node)
    if (node.kind !== 'tank') return nodePlace(end.node)!
    // A pump that stands in the water draws at its foot, however high its line leaves.
    const intakeM = node.ports.find(port => port.name === end.port)?.intakeM ?? Infinity
    const portM = Math.min(portHeightM(site, end), node.baseM + intakeM)
    return once(mouthKey(end.node, end.port), () =>
      overTime ? mouth(node, end.port, portM) : held({ kind: 'tank', tank: node, portM }),
    )
  }
  /** By which hole a run's end stands in a tank. */
  const holeOf = ({ node, port }: Run['from']): string | undefined =>
    nodeById(site, node).kind === 'tank' ? mouthKey(node, port) : undefined

  for (const node of site.nodes) nodePlace(node.id)
  /** Runs that begin at an overflow: where time goes by, what they pass is told by the brim they begin at. */
  const spilling = new Set<Run>()
  if (overTime)
    for (const tank of tanksOf(site)) {
      for (const { port, path } of overflowsOf(site, tank)) {
        brim(tank, port.name)
        spilling.add(path.runs[0]!)
      }
      brim(tank)
    }
  for (const run of site.runs) {
    if (ofStorm(site, run) || spilling.has(run)) continue
    const profile = heightsAlong(site, run)
    let from = endPlace(run.from)
    // A relief valve lets water out of the line, so that what is behind it may have another flow.
    const stretches = splitAt(run.parts, part => does(part, 'relieves'))
    stretches.forEach(({ parts, at }, index) => {
      const last = index === stretches.length - 1
      const to = last ? endPlace(run.to) : unknown(profile(at))
      const [leavesBy, arrivesBy] = [index ? undefined : holeOf(run.from), last ? holeOf(run.to) : undefined]
      lay({ ...linkOf(site, run, parts, profile, index === 0, last), from, to, leavesBy, arrivesBy })
      if (!last) {
        const relief = run.parts[at] as PartOf<'relief'>
        const opensAtM = headOfPressureM(relief.setKPa)
        const law = evenLaw(opensAtM / 10)
        lay({ from: to, to: air(profile(at)), laws: [law], opensAtM, check: true, beginsAs: 0 })
      }
      from = to
    })
  }

  const count = heightM.length
  const placed = (place: Place) => ('unknown' in place ? place.unknown : count + place.fixed)
  const ends = links.map(({ from, to }) => [placed(from), placed(to)] as const)
  for (const { id } of site.nodes) {
    const place = places.get(id)
    if (place) placeOf.set(id, placed(place))
  }
  const both = ([from, to]: readonly [number, number]) => from < count && to < count && from !== to
  const elimination = eliminationOf(count, ends.filter(both))
  const numbered = links.map((link, at): Link => {
    const [from, to] = ends[at]!
    return { ...link, from, to, entry: both(ends[at]!) ? elimination.entryOf(from, to) : -1 }
  })
  return { site, unknowns: count, fixed, heightM, placeOf, links: numbered, elimination, stores, mouths, brims }

  function linkOf(site: Site, run: Run, parts: Part[], profile: Profile, first: boolean, last: boolean) {
    const pipeMm = boreMm(run)
    const law = (part: Part) => lawOf(part, pipeMm, waterTemperatureC)
    const laws = parts.flatMap(part => law(part) ?? [])
    const isTank = (end: Run['from']) => nodeById(site, end.node).kind === 'tank'
    const source = nodeById(site, run.from.node)
    // Behind a back-flow device nothing comes back into a main.
    const guarded = first && source.kind === 'main' && source.backflow !== undefined
    const [leaves, arrives] = [first && isTank(run.from), last && isTank(run.to)]
    const [entry, exit] = [FITTING_K.entry, FITTING_K.exit].map(k => k * perVelocityHead(pipeMm))
    const start = leaves ? [squareLaw(entry!, exit!)] : []
    const end = arrives ? [squareLaw(exit!, entry!)] : []
    const bores = parts.flatMap(part => (does(part, 'carries') ? [boreOfPart(part)!] : []))
    const floats = parts.some(part => does(part, 'stops when full')) && last && arrives
    const pumps = parts.flatMap((part, at): PumpIn[] => {
      if (part.kind !== 'pump') return []
      const before = [...start, ...parts.slice(0, at).flatMap(each => law(each) ?? [])]
      const after = [...parts.slice(at + 1).flatMap(each => law(each) ?? []), ...end]
      const heldM = profile(run.parts.indexOf(part)) + heldHeadM(part)
      return [
        {
          part,
          running: runningLaw(part, pipeMm),
          stopped: stoppedLaw(pipeMm),
          shutOffM: shutOffM(part),
          diaphragm: isDiaphragm(part),
          holds: part.pump === 'variable-speed' ? { headM: heldM, before, after } : undefined,
        },
      ]
    })
    const narrowestMm = Math.min(...bores, ...(bores.length ? [] : [pipeMm]))
    return {
      ...plain,
      runId: run.id,
      laws: [...start, ...laws, ...end],
      pumps,
      check:
        guarded || parts.some(part => part.kind === 'check' && !part.passesShare) || pumps.some(pump => pump.diaphragm),
      shut: run.parts.some(part => part.kind === 'valve' && !part.open),
      float: floats ? { tank: nodeById(site, run.to.node) as Tank, shutsAtM: floatShutsM(site, run)! } : undefined,
      narrowestMm,
      beginsAs: 0.5 / pipeVelocityMps(1, narrowestMm),
    }
  }
}

const plain = {
  laws: [] as Law[],
  pumps: [] as PumpIn[],
  check: false,
  shut: false,
  opensAtM: 0,
  narrowestMm: Infinity,
  beginsAs: 0.1,
}

/** What a part takes that is no pump; nothing where its kind takes nothing. */
function lawOf(part: Part, pipeMm: number, waterTemperatureC: number): Law | undefined {
  if (part.kind === 'pipe') return pipeLaw(part, waterTemperatureC)
  if (part.kind === 'pump') return undefined
  if (part.kind === 'filter' || part.kind === 'lamp') {
    const usual = part.kind === 'lamp' ? { ...TREATMENT.lamp, ratedLps: part.ratedLps } : TREATMENT[part.medium]
    const { ratedLps = usual.ratedLps, lossKPaAtRated = usual.lossKPaAtRated } = part
    return squareLaw(headOfPressureM(lossKPaAtRated) / ratedLps ** 2)
  }
  const size = kOf(part) * perVelocityHead(ownBoreMm(part) ?? pipeMm)
  // What a worn check leaves open is a narrow hole to what comes back.
  if (part.kind === 'check' && part.passesShare)
    return squareLaw(size, Math.max(size, perVelocityHead(part.boreMm)) / part.passesShare ** 2)
  return size ? squareLaw(size) : undefined
}

/** The bore that a fitting’s k is of: a reducer’s is its narrow side. */
const ownBoreMm = (part: Part): number | undefined =>
  part.kind === 'reducer' ? Math.min(part.fromMm, part.toMm) : boreOfPart(part)

/** Height of the line at a part, by its place in the run. */
type Profile = (at: number) => number

/** Heights along a run, even from one place that is known to the next: its ends, and what its profile tells. */
export function heightsAlong(site: Site, run: Run): Profile {
  const upTo = [0]
  for (const part of run.parts) upTo.push(upTo.at(-1)! + lengthOfPart(part))
  const lengthM = upTo.at(-1)!
  const places = placesAlong(site, run, lengthM)
  return at => {
    const alongM = upTo[at]!
    const next = places.findIndex(place => place.alongM > alongM)
    if (next < 0) return places.at(-1)!.heightM
    const [before, after] = [places[Math.max(0, next - 1)]!, places[next]!]
    const share = (alongM - before.alongM) / (after.alongM - before.alongM)
    return before.heightM + share * (after.heightM - before.heightM)
  }
}

/** Places of a run whose heights are known, in order along it: its beginning, its profile, its end. */
export function placesAlong(site: Site, run: Run, lengthM: number): { alongM: number; heightM: number }[] {
  const within = (run.profile ?? []).filter(({ alongM }) => alongM > 0 && alongM < lengthM)
  const start = { alongM: 0, heightM: portHeightM(site, run.from) }
  if (!lengthM) return [start]
  return [
    start,
    ...within.toSorted((a, b) => a.alongM - b.alongM),
    { alongM: lengthM, heightM: portHeightM(site, run.to) },
  ]
}

/** A list cut at some of its items: the stretches between them, and where each ends. */
function splitAt<Item>(items: Item[], cuts: (item: Item) => boolean): { parts: Item[]; at: number }[] {
  const stretches: { parts: Item[]; at: number }[] = []
  let begin = 0
  items.forEach((item, at) => {
    if (!cuts(item)) return
    stretches.push({ parts: items.slice(begin, at), at })
    begin = at + 1
  })
  return [...stretches, { parts: items.slice(begin), at: items.length }]
}
