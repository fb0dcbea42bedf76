import type { Weir, Fixed, Holder, Lines, Link, Opening, PumpIn, Store } from './layout'
import { evenLaw, perVelocityHead, squareLaw, type Law } from './laws'
import { heightsAlong, type Profile } from './heights'
import { lawOf } from './partLaw'
import { heldHeadM, isDiaphragm, runningLaw, shutOffM, stoppedLaw } from './pumps'
import { eliminationOf } from './factor'
import { boreMm } from '../loss'
import { FLOWS_OF } from '../reads'
import { headOfPressureM, pipeVelocityMps } from '../../sums'
import { FITTING_K } from '../../catalog'
import { floatShutsM, nodeById, overflowsOf, portHeightM, remembered, tanksOf, type Run, type Site } from '../../site'
import {
  boreOfPart,
  does,
  isOfStorm,
  type NodeKind,
  type NodeOf,
  type Part,
  type SiteNode,
  type Tank,
} from '../../kinds'

/** Nodes of a site that belong to its lines under pressure: spouts and chambers belong to the storm. */
export const isUnderPressure = (site: Site, id: string): boolean => !isOfStorm(nodeById(site, id))

/** What runs from a spout or a chamber, or to one, belongs to the storm too. */
const ofStorm = (site: Site, { from, to }: Run): boolean =>
  !isUnderPressure(site, from.node) || !isUnderPressure(site, to.node)

/** A site’s lines at a moment: what stands in tanks is at a head that does not move. */
export const linesOf = remembered(FLOWS_OF, (site: Site): Lines => laidOut(site, false))

/** A site’s lines while time goes by: tanks and pressure tanks give way, and overflows and rims let water go. */
export const linesOverTime = remembered(FLOWS_OF, (site: Site): Lines => laidOut(site, true))

/** What a hole in a tank is found by. */
export const openingKey = (tankId: string, port: string): string => `${tankId} ${port}`

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
  const openings = new Map<string, Opening>()
  const weirs: Weir[] = []
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
    openings.set(openingKey(tank.id, port), { tankId: tank.id, port, heightM, wet, dry })
    return place
  }
  const weir = (tank: Tank, port?: string): void => {
    const { how, law } = told()
    const link = lay({ from: nodePlace(tank.id)!, to: air(tank.baseM), laws: [law] })
    weirs.push({ tankId: tank.id, port, link, fixed: fixed.length - 1, compliance: how })
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

  /** Where each kind of node stands among the unknowns and the known heads; what is the storm's has no place here. */
  const placeFor: { [Kind in NodeKind]: (node: NodeOf<Kind>) => Place | undefined } = {
    spout: () => undefined,
    chamber: () => undefined,
    tank: node => (overTime ? store(node) : held({ kind: 'tank', tank: node, portM: node.baseM })),
    pressureTank: node => (overTime ? store(node) : held({ kind: 'pressureTank', node })),
    well({ baseM, groundM, stillWaterDepthM, specificCapacityLpsPerM: capacity }) {
      const law = capacity === undefined ? undefined : evenLaw(1 / capacity)
      return source(held({ kind: 'head', headM: groundM - stillWaterDepthM, gives: true }), law, baseM)
    },
    main(node) {
      const restM = headOfPressureM(node.pressureKPa)
      const test = node.flowTest
      const lostM = test && restM - headOfPressureM(test.pressureKPa)
      const law = lostM ? squareLaw(Math.max(0, lostM) / test.flowLps ** 2) : undefined
      return source(held({ kind: 'main', node }), law, node.baseM)
    },
    outfall: ({ baseM }) => air(baseM),
    joint: ({ baseM }) => unknown(baseM),
    tap(node) {
      const place = unknown(node.baseM)
      lay({ from: place, to: air(node.baseM), tap: node, check: true })
      return place
    },
  }
  function nodePlace(id: string): Place | undefined {
    const node = nodeById(site, id)
    const known = places.get(id)
    if (known) return known
    const place = (placeFor[node.kind] as (node: SiteNode) => Place | undefined)(node)
    if (place) places.set(id, place)
    return place
  }
  function endPlace(end: Run['from']): Place {
    const node = nodeById(site, end.node)
    if (node.kind !== 'tank') return nodePlace(end.node)!
    // A pump that stands in the water draws at its foot, however high its line leaves.
    const intakeM = node.ports.find(port => port.name === end.port)?.intakeM ?? Infinity
    const portM = Math.min(portHeightM(site, end), node.baseM + intakeM)
    return once(openingKey(end.node, end.port), () =>
      overTime ? mouth(node, end.port, portM) : held({ kind: 'tank', tank: node, portM }),
    )
  }
  /** By which hole a run's end stands in a tank. */
  const holeOf = ({ node, port }: Run['from']): string | undefined =>
    nodeById(site, node).kind === 'tank' ? openingKey(node, port) : undefined

  for (const node of site.nodes) nodePlace(node.id)
  /** Runs that begin at an overflow: where time goes by, what they pass is told by the weir they begin at. */
  const spilling = new Set<Run>()
  if (overTime)
    for (const tank of tanksOf(site)) {
      for (const { port, path } of overflowsOf(site, tank)) {
        weir(tank, port.name)
        spilling.add(path.runs[0]!)
      }
      weir(tank)
    }
  for (const run of site.runs) {
    if (ofStorm(site, run) || spilling.has(run)) continue
    const profile = heightsAlong(site, run)
    let from = endPlace(run.from)
    // A relief valve lets water out of the line, so that what is behind it may have another flow; a regulator begins a
    // stretch of its own, in which nothing else holds a pressure.
    const stretches = splitAt(run.parts, part =>
      does(part, 'relieves') ? 'at' : does(part, 'regulates') ? 'before' : undefined,
    )
    stretches.forEach(({ parts, at }, index) => {
      const last = index === stretches.length - 1
      const to = last ? endPlace(run.to) : unknown(profile(at))
      const [leavesBy, arrivesBy] = [index ? undefined : holeOf(run.from), last ? holeOf(run.to) : undefined]
      lay({ ...linkOf(site, run, parts, profile, index === 0, last), from, to, leavesBy, arrivesBy })
      const relief = last ? undefined : run.parts[at]
      if (relief?.kind === 'relief') {
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
  return { site, unknowns: count, fixed, heightM, placeOf, links: numbered, elimination, stores, openings, weirs }

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
    const pumps = parts.flatMap((part): PumpIn[] => {
      if (part.kind !== 'pump') return []
      const [running, stopped] = [runningLaw(part, pipeMm), stoppedLaw(pipeMm)]
      return [{ part, running, stopped, shutOffM: shutOffM(part), diaphragm: isDiaphragm(part) }]
    })
    const lawsOf = (some: readonly Part[]) => some.flatMap(each => law(each) ?? [])
    const [holder] = parts.flatMap((part, at): Holder[] => {
      const around = {
        before: [...start, ...lawsOf(parts.slice(0, at))],
        after: [...lawsOf(parts.slice(at + 1)), ...end],
      }
      const placeM = profile(run.parts.indexOf(part))
      if (part.kind === 'regulator')
        return [{ headM: placeM + headOfPressureM(part.setKPa), ...around, idle: law(part) ?? evenLaw(0) }]
      if (part.kind !== 'pump' || part.pump !== 'variable-speed') return []
      const [idle, full] = [stoppedLaw(pipeMm), runningLaw(part, pipeMm)]
      return [{ headM: placeM + heldHeadM(part), ...around, idle, full }]
    })
    const narrowestMm = Math.min(...bores, ...(bores.length ? [] : [pipeMm]))
    return {
      ...plain,
      runId: run.id,
      laws: [...start, ...laws, ...end],
      pumps,
      ...(holder ? { holder } : {}),
      check:
        guarded ||
        parts.some(part => (part.kind === 'check' && !part.passesShare) || does(part, 'regulates')) ||
        pumps.some(pump => pump.diaphragm),
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

/** A list cut at some of its items, or before them: the stretches between the cuts, and where each ends. */
function splitAt<Item>(
  items: Item[],
  cuts: (item: Item) => 'at' | 'before' | undefined,
): { parts: Item[]; at: number }[] {
  const stretches: { parts: Item[]; at: number }[] = []
  let begin = 0
  items.forEach((item, at) => {
    const cut = cuts(item)
    if (!cut || (cut === 'before' && at === 0)) return
    stretches.push({ parts: items.slice(begin, at), at })
    begin = cut === 'at' ? at + 1 : at
  })
  return [...stretches, { parts: items.slice(begin), at: items.length }]
}
