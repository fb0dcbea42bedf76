import { Draft, type Place } from './draft'
import type { Lines, Opening, Store, Weir } from './layout'
import { evenLaw, squareLaw, type Law } from './laws'
import { heightsAlong } from './heights'
import { linkOf } from './runLink'
import { FLOWS_OF } from '../reads'
import { headOfPressureM } from '../../sums'
import { nodeById, overflowsOf, portHeightM, remembered, tanksOf, type Run, type Site } from '../../site'
import { does, isOfStorm, type NodeKind, type NodeOf, type SiteNode, type Tank } from '../../kinds'

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
  const draft = new Draft()
  const places = placesIn(site, draft, overTime)
  for (const node of site.nodes) places.ofNode(node.id)
  const spilling = overTime ? layWeirs(site, draft, places) : new Set<Run>()
  for (const run of site.runs) if (!ofStorm(site, run) && !spilling.has(run)) layRun(site, run, draft, places)
  const { stores, openings, weirs } = places
  return { site, ...draft.numbered(), placeOf: draft.placesOf(places.byKey, site.nodes), stores, openings, weirs }
}

/** Where nodes and the ends of runs stand among the unknown and the known heads, each laid when it is first asked for. */
interface Places {
  ofNode: (id: string) => Place | undefined
  ofEnd: (end: Run['from']) => Place
  byKey: ReadonlyMap<string, Place>
  stores: Store[]
  openings: Map<string, Opening>
  weirs: Weir[]
}

function placesIn(site: Site, draft: Draft, overTime: boolean): Places {
  const byKey = new Map<string, Place>()
  const stores: Store[] = []
  const openings = new Map<string, Opening>()
  const store = (node: Store['node']): Place => {
    const { how, law } = slopeLaw()
    const fixed = draft.held({ kind: 'head', headM: node.baseM, gives: true })
    const water = draft.unknown(node.baseM)
    stores.push({ node, link: draft.lay({ from: fixed, to: water, laws: [law] }), fixed: fixed.fixed, gives: how })
    return water
  }
  const opening = (tank: Tank, port: string, heightM: number): Place => {
    const place = draft.unknown(heightM)
    const wet = draft.lay({ from: ofNode(tank.id)!, to: place })
    const dry = draft.lay({ from: place, to: draft.air(heightM) })
    openings.set(openingKey(tank.id, port), { tankId: tank.id, port, heightM, wet, dry })
    return place
  }
  /**
   * A source that gives way as it is drawn from: what it gives stands behind its law. A back-flow device stands there
   * too, and guards the source alone: what branches behind it, water may go round by.
   */
  const source = (still: Place, law: Law | undefined, atM: number, guarded = false): Place => {
    if (!law && !guarded) return still
    const given = draft.unknown(atM)
    draft.lay({ from: still, to: given, laws: law ? [law] : [], check: guarded })
    return given
  }
  /** Where each kind of node stands among the unknowns and the known heads; what is the storm's has no place here. */
  const placeFor: { [Kind in NodeKind]: (node: NodeOf<Kind>) => Place | undefined } = {
    spout: () => undefined,
    chamber: () => undefined,
    tank: node => (overTime ? store(node) : draft.held({ kind: 'tank', tank: node, portM: node.baseM })),
    pressureTank: node => (overTime ? store(node) : draft.held({ kind: 'pressureTank', node })),
    well({ baseM, groundM, stillWaterDepthM, specificCapacityLpsPerM: capacity }) {
      const law = capacity === undefined ? undefined : evenLaw(1 / capacity)
      return source(draft.held({ kind: 'head', headM: groundM - stillWaterDepthM, gives: true }), law, baseM)
    },
    main(node) {
      const restM = headOfPressureM(node.pressureKPa)
      const test = node.flowTest
      const lostM = test && restM - headOfPressureM(test.pressureKPa)
      const law = lostM ? squareLaw(Math.max(0, lostM) / test.flowLps ** 2) : undefined
      return source(draft.held({ kind: 'main', node }), law, node.baseM, node.backflow !== undefined)
    },
    outfall: ({ baseM }) => draft.air(baseM),
    joint: ({ baseM }) => draft.unknown(baseM),
    tap(node) {
      const place = draft.unknown(node.baseM)
      draft.lay({ from: place, to: draft.air(node.baseM), tap: node, check: true })
      return place
    },
  }
  function ofNode(id: string): Place | undefined {
    const node = nodeById(site, id)
    const known = byKey.get(id)
    if (known) return known
    const place = (placeFor[node.kind] as (node: SiteNode) => Place | undefined)(node)
    if (place) byKey.set(id, place)
    return place
  }
  function ofEnd(end: Run['from']): Place {
    const node = nodeById(site, end.node)
    if (node.kind !== 'tank') return ofNode(end.node)!
    const key = openingKey(end.node, end.port)
    const known = byKey.get(key)
    if (known) return known
    // A pump that stands in the water draws at its foot, however high its line leaves.
    const intakeM = node.ports.find(port => port.name === end.port)?.intakeM ?? Infinity
    const portM = Math.min(portHeightM(site, end), node.baseM + intakeM)
    const place = overTime ? opening(node, end.port, portM) : draft.held({ kind: 'tank', tank: node, portM })
    byKey.set(key, place)
    return place
  }
  return { ofNode, ofEnd, byKey, stores, openings, weirs: [] }
}

/** A law whose slope is set before each search. */
function slopeLaw(): { how: { slope: number }; law: Law } {
  const how = { slope: 0 }
  const law: Law = (flowLps, loss) => {
    loss.headM += how.slope * flowLps
    loss.slope += how.slope
  }
  return { how, law }
}

/**
 * Lays the ways out over each tank's overflows and its rim.
 * @returns the runs that begin at an overflow: what they pass is told by the weir they begin at
 */
function layWeirs(site: Site, draft: Draft, { ofNode, weirs }: Places): Set<Run> {
  const spilling = new Set<Run>()
  const layWeir = (tank: Tank, port?: string): void => {
    const { how, law } = slopeLaw()
    const outside = draft.air(tank.baseM)
    const link = draft.lay({ from: ofNode(tank.id)!, to: outside, laws: [law] })
    weirs.push({ tankId: tank.id, port, link, fixed: outside.fixed, compliance: how })
  }
  for (const tank of tanksOf(site)) {
    for (const { port, path } of overflowsOf(site, tank)) {
      layWeir(tank, port.name)
      spilling.add(path.runs[0]!)
    }
    layWeir(tank)
  }
  return spilling
}

/**
 * Lays a run: one link, or a stretch for each relief valve and each regulator. A relief valve lets water out of the line,
 * so that what is behind it may have another flow; a regulator begins a stretch of its own, in which nothing else holds a
 * pressure.
 */
function layRun(site: Site, run: Run, draft: Draft, { ofEnd }: Places): void {
  const profile = heightsAlong(site, run)
  /** By which hole an end of the run stands in a tank. */
  const holeOf = ({ node, port }: Run['from']): string | undefined =>
    nodeById(site, node).kind === 'tank' ? openingKey(node, port) : undefined
  let from = ofEnd(run.from)
  const stretches = splitAt(run.parts, part =>
    does(part, 'relieves') ? 'at' : does(part, 'regulates') ? 'before' : undefined,
  )
  stretches.forEach(({ parts, at }, index) => {
    const [first, last] = [index === 0, index === stretches.length - 1]
    const to = last ? ofEnd(run.to) : draft.unknown(profile(at))
    const [leavesBy, arrivesBy] = [first ? holeOf(run.from) : undefined, last ? holeOf(run.to) : undefined]
    draft.lay({ ...linkOf(site, run, parts, profile, { first, last }), from, to, leavesBy, arrivesBy })
    const relief = last ? undefined : run.parts[at]
    if (relief?.kind === 'relief') {
      const opensAtM = headOfPressureM(relief.setKPa)
      const law = evenLaw(opensAtM / 10)
      draft.lay({ from: to, to: draft.air(profile(at)), laws: [law], opensAtM, check: true, beginsAs: 0 })
    }
    from = to
  })
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
