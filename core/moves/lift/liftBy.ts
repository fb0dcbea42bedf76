import { z } from 'zod'
import { headOf, leavesHigh, raiseHole } from './parts'
import { pumpOfFeed, quietBoreMm, busiestLps, lowWaterM, reliefFor, vesselFor } from './sizing'
import {
  defineMove,
  freshId,
  guessedLengthM,
  Impossible,
  named,
  addRun,
  pipe,
  toThousandth,
  union,
  valve,
} from '../move'
import { feedsOf, graphOf, nameOf, type Feed, type Run, type Site } from '../../site'
import { does, rowOf, type NewPart, type Part, type PartOf, type SiteNode, type Tank } from '../../kinds'
import { HOLD_IDS, HOLDS, LIFT_IDS, liftRow, USUAL_BORE_MM } from '../../catalog'

const LEAST_PIPE_M = 2.5

/** The feed that starts with a run, or the refusal that it is gone. */
export function needFeed(site: Site, runId: string): Feed {
  const feed = feedsOf(site).find(({ trunk }) => trunk[0]!.id === runId)
  if (!feed) throw new Impossible('That line to the taps is no longer there.')
  return feed
}

/**
 * Lifts what a line brings to its taps another way: its parts are taken out as far as where it parts, and those of the
 * other way put in, in their right order. The taps, their own lines, what treats the water and the pipe stay.
 */
export const liftBy = defineMove({
  args: z.object({ run: z.string(), by: z.enum(LIFT_IDS), hold: z.enum(HOLD_IDS).optional() }),
  label: ({ run, by, hold }, site) => {
    const feed = feedsOf(site).find(({ trunk }) => trunk[0]!.id === run)
    const words = feed ? (liftRow(by).name[feed.source.kind] ?? by) : by
    const through = hold === 'pressure-tank' ? `, ${HOLDS[hold].name}` : ''
    return `Lift the water of ${feed ? nameOf(site, feed.source.id) : 'a line'} by ${words}${through}`
  },
  apply(site, { run: id, by, hold }) {
    const feed = needFeed(site, id)
    layTrunk(site, feed, by, hold ?? (by === 'gravity' || by === 'variable-speed' ? 'straight' : feed.hold))
  },
})

export function layTrunk(site: Site, feed: Feed, by: Feed['lift'], hold: Feed['hold']): void {
  const { source } = feed
  const { pump: pumpKind, name } = liftRow(by)
  if (feed.trunk[0]!.from.node !== source.id)
    throw new Impossible(
      'One line fills this tank and feeds from it; give the pump that fills it a line of its own first.',
    )
  if (!name[source.kind])
    throw new Impossible(`Water of ${nameOf(site, source.id)} cannot be lifted that way; choose another.`)
  if (hold === 'pressure-tank' && by === 'variable-speed')
    throw new Impossible('A variable-speed set holds the pressure by itself; it wants no pressure tank behind it.')
  if (hold === 'pressure-tank' && !pumpKind)
    throw new Impossible('A pressure tank wants a pump that fills it; choose the pump first.')
  const own = feed.trunk.flatMap(run => run.parts)
  const delivery = longestPipe(own) ?? (pipe(6, quietBoreMm(busiestLps(site, feed.taps))) as PartOf<'pipe'>)
  const stays = own.filter(part => rowOf(part).stays && !(part.kind === 'meter' && source.kind === 'main'))
  const port = portFor(site, feed, by)
  const pump = pumpKind && pumpFor(site, { ...feed, port }, by)
  const head = headOf(source, by, pump, delivery.innerDiameterMm)

  const first = feed.trunk[0]!
  const end = { ...feed.trunk.at(-1)!.to }
  takeOutBetween(site, feed, first)
  first.from = { node: source.id, port }
  delete first.name
  if (hold === 'pressure-tank') {
    const vessel = keepVessel(site, feed) ?? standVessel(site, { ...feed, port }, pump as PartOf<'pump'>)
    first.to = { node: vessel.id, port: 'in' }
    const boreMm = delivery.innerDiameterMm
    const relief = own.find(part => part.kind === 'relief') ?? { kind: 'relief' as const, setKPa: reliefFor(vessel) }
    const before = [...head, pipe(1, boreMm), relief]
    // The house's own shut-off stands behind the tank: on the pump's side it could not keep the tank from a burst.
    const parts = named(site, first.id, [...before, valve(boreMm), union(boreMm), delivery, ...stays])
    first.parts = parts.slice(0, before.length)
    addRun(site, { node: vessel.id, port: 'out' }, end, parts.slice(before.length))
  } else {
    first.to = end
    first.parts = named(site, first.id, [...head, delivery, ...stays])
  }
}

/** The pump it has, where that is of the kind that is wanted, else one made for what its taps ask. */
function pumpFor(site: Site, feed: Feed, by: Feed['lift']): NewPart {
  return feed.pump?.pump === liftRow(by).pump && feed.lift !== 'gravity' ? feed.pump! : pumpOfFeed(site, feed, by)
}

/** The pipe of a line that is worth keeping: its longest, where that is no stub. */
function longestPipe(parts: readonly Part[]): PartOf<'pipe'> | undefined {
  const [longest] = parts.filter(part => part.kind === 'pipe').toSorted((a, b) => b.lengthM - a.lengthM)
  return longest && longest.lengthM >= LEAST_PIPE_M ? longest : undefined
}

/** Takes out what stood on a line between its beginning and where it parts: its later runs, joints and pressure tanks. */
function takeOutBetween(site: Site, { trunk, vessel }: Feed, first: Run): void {
  const last = trunk.at(-1)!
  const between = new Set(trunk.slice(0, -1).map(run => run.to.node))
  const gone = new Set(trunk.filter(run => run !== first).map(run => run.id))
  site.runs = site.runs.filter(run => !gone.has(run.id))
  site.nodes = site.nodes.filter(node => !between.has(node.id))
  // Where branches start at the pressure tank itself, a joint takes its place.
  if (vessel && last.to.node === vessel.id) {
    const joint = branchNode(site, vessel.baseM, vessel.groundM)
    for (const run of site.runs) if (run.from.node === vessel.id) run.from = { node: joint.id, port: 'out' }
    last.to = { node: joint.id, port: 'in' }
    site.nodes = site.nodes.filter(node => node.id !== vessel.id)
  }
}

/** A place where lines to taps part. */
export function branchNode(
  site: Site,
  baseM: number,
  groundM: number,
  name = 'Manifold',
): SiteNode & { kind: 'joint' } {
  const joint = { kind: 'joint' as const, id: freshId(site, 'joint'), name, baseM: toThousandth(baseM), groundM }
  site.nodes.push(joint)
  return joint
}

/** The pressure tank that stood there, as it was set and read, put back behind another pump. */
function keepVessel(site: Site, { vessel }: Feed) {
  if (vessel && !site.nodes.includes(vessel)) site.nodes.push(vessel)
  return vessel
}

function standVessel(site: Site, feed: Feed, pump: PartOf<'pump'>) {
  const { source } = feed
  const baseM = toThousandth(source.groundM + 0.3)
  const vessel = {
    kind: 'pressureTank' as const,
    id: freshId(site, 'pressure-tank'),
    name: 'Pressure tank',
    baseM,
    groundM: source.groundM,
    ...vesselFor(feed, pump, baseM),
  }
  site.nodes.push(vessel)
  return vessel
}

/** The port a line starts at: for a pump in the water a hole above it with its intake low, else a hole low in the wall. */
function portFor(site: Site, { source, port: name, trunk }: Feed, by: Feed['lift']): string {
  if (source.kind !== 'tank') return name
  const port = source.ports.find(each => each.name === name)!
  const isHigh = port.intakeM !== undefined
  if (leavesHigh(source, by) === isHigh) return name
  const others = graphOf(site)
    .at(source.id)
    .some(run => run !== trunk[0] && [run.from, run.to].some(end => end.node === source.id && end.port === name))
  if (!isHigh) return raiseHole(site, source, port, by, others)
  const low = lowOutlet(source)
  if (low) {
    if (!others) source.ports = source.ports.filter(each => each !== port)
    return low
  }
  port.heightM = port.intakeM!
  delete port.intakeM
  delete port.cordAtM
  return name
}
const lowOutlet = (tank: Tank): string | undefined =>
  tank.ports.find(port => port.role === 'outlet' && port.intakeM === undefined)?.name

/** The joint where a feed parts; where it has one tap, or parts at its pressure tank, one is put in. */
export function branchOf(site: Site, feed: Feed): SiteNode & { kind: 'joint' } {
  if (feed.branch?.kind === 'joint') return feed.branch
  const last = feed.trunk.at(-1)!
  if (feed.branch) {
    const joint = branchNode(site, feed.branch.baseM, feed.branch.groundM)
    const boreMm = longestPipe(last.parts)?.innerDiameterMm ?? USUAL_BORE_MM
    for (const run of site.runs) if (run.from.node === feed.branch.id) run.from = { node: joint.id, port: 'out' }
    const from = { node: feed.branch.id, port: 'out' }
    addRun(site, from, { node: joint.id, port: 'in' }, [valve(boreMm), union(boreMm), pipe(1, boreMm)])
    return joint
  }
  const [tap] = feed.taps
  const joint = branchNode(site, nearTap(feed, tap!), tap!.groundM)
  const onward = { ...last.to }
  last.to = { node: joint.id, port: 'in' }
  delete last.name
  const boreMm = longestPipe(last.parts)?.innerDiameterMm ?? USUAL_BORE_MM
  const from = { node: joint.id, port: 'out' }
  // What treats one tap's water stays on that tap's own line.
  const treats = (part: Part) => does(part, 'treats')
  const own = last.parts.filter(treats)
  last.parts = last.parts.filter(part => !treats(part))
  addRun(site, from, onward, [valve(boreMm), ...own, pipe(guessedLengthM(site, from, onward, 2), boreMm)])
  return joint
}
/** Hand-high by its tap; where water only falls, no higher than it is drawn from. */
const nearTap = ({ source, port, lift }: Feed, tap: SiteNode) =>
  Math.min(
    tap.baseM,
    Math.max(source.groundM, tap.groundM) + 0.6,
    ...(lift === 'gravity' && source.kind === 'tank' ? [lowWaterM(source, port) - 0.1] : []),
  )
