import type { Law, Loss } from './laws'
import type { Lines, Link } from './layout'
import { isUnderPressure, linesOf } from './lines'
import { momentOf, standsAt, type MomentSetting } from './moment'
import { solve, type Moment, type Solution, type LinkStates } from './solve'
import { pipeVelocityMps, staticPressure } from '../../sums'
import { graphOf, runName, type Run, type Site } from '../../site'

export type RunStatus = 'flowing' | 'still' | 'shut' | 'checked' | 'float-shut' | 'stopped' | 'dry'

export interface RunState {
  flowLps: number
  /** The highest along the run. */
  velocityMps: number
  /** What friction and fittings take. */
  lossM: number
  status: RunStatus
}
export interface Steady {
  converged: boolean
  steps: number
  nodes: Record<string, { headM: number; pressureKPa: number }>
  runs: Record<string, RunState>
  taps: Record<string, { flowLps: number; pressureKPa: number }>
  residuals: { continuityLps: number; energyM: number }
  /** Where no answer was found: the run that is furthest from one. */
  trouble?: string
}

const STILL_LPS = 1e-7
/** Suction is known no better than this, m. */
const SUCKS_WITHIN_M = 1e-6
/** Pumps and regulators that hold a pressure change what they do, one at a time, no oftener than this before it is given up. */
const MOST_ROUNDS = 60
/**
 * Flows and pressures of a site's lines while nothing changes: every joint passes on what it gets, and along every run
 * the heads differ by what its parts take and its pumps give. Heads in metres above the datum, pressures above the
 * air's.
 */
export function steady(site: Site, asked: MomentSetting = {}): Steady {
  const lines = linesOf(site)
  const moment = momentOf(lines, asked, standsAt(lines, asked))
  const { sought, steps, trouble } = settled(lines, moment)
  return told(lines, moment, { ...sought, steps }, trouble)
}

/** Flows of a moment, and the link that still asks for something else, where one does. */
interface Sought {
  sought: Solution
  steps: number
  unsettled: Link | undefined
}

/** Seeks a moment's flows, until everything that holds a pressure does what fits what stands behind it. */
function seek(lines: Lines, moment: Moment): Sought {
  cutOffDry(lines, moment.standing)
  let sought = solve(lines, moment)
  let unsettled = setHolders(lines, moment)
  let { steps } = sought
  for (let rounds = 0; sought.converged && unsettled && rounds < MOST_ROUNDS; rounds++) {
    sought = solve(lines, moment)
    steps += sought.steps
    unsettled = setHolders(lines, moment)
  }
  return { sought, steps, unsettled }
}

/** The same, until no pump sucks too far: such a one draws air, and its line stands; each that does eases the others. */
export function settled(lines: Lines, moment: Moment): { sought: Solution; steps: number; trouble?: string } {
  let found = seek(lines, moment)
  let { steps } = found
  for (let dry = drawsAir(lines, moment); isSettled(found) && dry >= 0; dry = drawsAir(lines, moment)) {
    moment.standing[dry]!.closed = true
    moment.flowLps[dry] = 0
    found = seek(lines, moment)
    steps += found.steps
  }
  const { sought, unsettled } = found
  const { site } = lines
  const trouble = unsettled ? unsettledHolder(site, unsettled) : sought.converged ? undefined : offItsLaw(site, sought)
  return { sought, steps, trouble }
}
const isSettled = ({ sought, unsettled }: Sought) => sought.converged && !unsettled

/** The first link whose pump sucks further than the air carries water; −1 where none does. */
function drawsAir({ links, unknowns }: Lines, moment: Moment): number {
  const loss: Loss = { headM: 0, slope: 0 }
  return links.findIndex(({ sucks, from }, at) => {
    const { closed, pump } = moment.standing[at]!
    const flowLps = moment.flowLps[at]!
    if (!sucks || closed || pump === 'stands' || flowLps <= STILL_LPS) return false
    loss.headM = loss.slope = 0
    for (const law of sucks.before) law(flowLps, loss)
    return headAt(moment, unknowns, from) - loss.headM < sucks.leastM - SUCKS_WITHIN_M
  })
}

/** Closes what no water can reach: what hangs together without a source that is wet. */
function cutOffDry({ links, unknowns }: Lines, standing: LinkStates[]): void {
  const joined = Array.from({ length: unknowns }, (_, at) => at)
  const root = (at: number): number => {
    while (joined[at] !== at) at = joined[at] = joined[joined[at]!]!
    return at
  }
  links.forEach(({ from, to }, at) => {
    if (!standing[at]!.closed && from < unknowns && to < unknowns) joined[root(from)] = root(to)
  })
  const wet = new Set<number>()
  links.forEach(({ from, to }, at) => {
    const { closed, noForward, noBackward } = standing[at]!
    if (closed) return
    if (from >= unknowns && to < unknowns && !noForward) wet.add(root(to))
    if (to >= unknowns && from < unknowns && !noBackward) wet.add(root(from))
  })
  links.forEach(({ from, to }, at) => {
    const open = from < unknowns ? from : to
    if (open < unknowns && !wet.has(root(open))) standing[at]!.closed = true
    // Between two fixed heads neither of which gives, nothing flows.
    else if (open >= unknowns && standing[at]!.noForward && standing[at]!.noBackward) standing[at]!.closed = true
  })
}

/** True where water comes to a link’s beginning some other way than through the link itself. */
function isFed({ links, unknowns }: Lines, standing: LinkStates[], link: Link): boolean {
  if (link.from >= unknowns) return true
  const reached = new Set([link.from])
  for (const place of reached) {
    for (const [at, other] of links.entries()) {
      const { closed, noForward, noBackward } = standing[at]!
      if (other === link || closed) continue
      const [next, gives] = other.from === place ? [other.to, !noBackward] : [other.from, !noForward]
      if (other.from !== place && other.to !== place) continue
      if (next < unknowns) reached.add(next)
      else if (gives) return true
    }
  }
  return false
}

/** Sets the first pump or regulator that is to do something else, by what stands before and behind it; its link. */
function setHolders(lines: Lines, moment: Moment): Link | undefined {
  const { links, unknowns } = lines
  const loss: Loss = { headM: 0, slope: 0 }
  return links.find((link, at) => {
    const standing = moment.standing[at]!
    const { holder } = link
    if (!holder || standing.closed || !pumpsRun(standing)) return false
    const flowLps = moment.flowLps[at]!
    const { headM: heldM, before, idle, full } = holder
    const taken = (laws: Law[]) => {
      loss.headM = loss.slope = 0
      for (const law of laws) law(flowLps, loss)
      return loss.headM
    }
    const openingM = headAt(moment, unknowns, link.from) - taken(before)
    const slack = 1e-6
    const idleM = openingM - taken([idle])
    const doing = (): LinkStates['pump'] => {
      if (!full) return idleM > heldM + slack ? 'holds' : 'runs'
      const fullM = openingM - taken([full])
      // Past the end of its curve a running pump would only be in the way.
      const helps = idleM <= heldM + slack && fullM > idleM
      return !helps ? 'idles' : fullM > heldM + slack ? 'holds' : 'runs'
    }
    const next = doing()
    if (next === standing.pump || (next === 'holds' && !isFed(lines, moment.standing, link))) return false
    standing.pump = next
    return true
  })
}
const pumpsRun = ({ pump }: LinkStates): boolean => pump !== 'stands'

/** What flows through a link: nothing where it is closed, where only a wall holds it, or where it is next to nothing. */
function flowThrough(moment: Moment, at: number): number {
  const flowLps = moment.flowLps[at]!
  const { closed, noForward, noBackward } = moment.standing[at]!
  return closed || Math.abs(flowLps) < STILL_LPS || (flowLps > 0 ? noForward : noBackward) ? 0 : flowLps
}

const headAt = ({ headM, fixedM }: Moment, unknowns: number, place: number): number =>
  place < unknowns ? headM[place]! : fixedM[place - unknowns]!

/** The answer in the words of the document. */
function told(lines: Lines, moment: Moment, { steps, energyM }: Solution, trouble: string | undefined): Steady {
  const { site, links, unknowns, placeOf, heightM } = lines
  const reached = new Uint8Array(unknowns)
  links.forEach(({ from, to }, at) => {
    if (moment.standing[at]!.closed) return
    for (const place of [from, to]) if (place < unknowns) reached[place] = 1
  })
  heightM.forEach((ownM, at) => {
    if (!reached[at]) moment.headM[at] = ownM
  })
  const nodes: Steady['nodes'] = {}
  for (const { id, baseM } of site.nodes) {
    if (!isUnderPressure(site, id)) continue
    const headM = headAt(moment, unknowns, placeOf.get(id)!)
    nodes[id] = { headM, pressureKPa: staticPressure({ headM: headM - baseM }).pressureKPa }
  }
  const taps: Steady['taps'] = {}
  for (const node of site.nodes) if (node.kind === 'tap') taps[node.id] = { flowLps: 0, ...pressureOf(nodes[node.id]!) }
  const runs: Steady['runs'] = {}
  const leftOver = new Float64Array(unknowns)
  links.forEach((link, at) => {
    const flowLps = flowThrough(moment, at)
    if (link.from < unknowns) leftOver[link.from]! -= flowLps
    if (link.to < unknowns) leftOver[link.to]! += flowLps
    if (link.tap) taps[link.tap.id]!.flowLps = flowLps
    if (link.runId === undefined) return
    const state = stateOf(link, at, flowLps)
    const first = runs[link.runId]
    runs[link.runId] = first
      ? { ...first, velocityMps: Math.max(first.velocityMps, state.velocityMps), lossM: first.lossM + state.lossM }
      : state
  })
  const continuityLps = leftOver.reduce((most, left) => Math.max(most, Math.abs(left)), 0)
  const answer = { converged: !trouble, steps, nodes, runs, taps, residuals: { continuityLps, energyM } }
  return trouble ? { ...answer, trouble } : answer

  function stateOf(link: Link, at: number, flowLps: number): RunState {
    const loss: Loss = { headM: 0, slope: 0 }
    for (const law of link.laws) law(flowLps, loss)
    if (['stands', 'idles'].includes(moment.standing[at]!.pump))
      for (const pump of link.pumps) pump.stopped(flowLps, loss)
    return {
      flowLps,
      velocityMps: Math.abs(flowLps) && pipeVelocityMps(Math.abs(flowLps), link.narrowestMm),
      lossM: Math.abs(loss.headM),
      status: statusOf(link, at, flowLps),
    }
  }
  function statusOf(link: Link, at: number, flowLps: number): RunStatus {
    const { closed, noForward, pump } = moment.standing[at]!
    if (link.shut) return 'shut'
    if (flowLps !== 0) return 'flowing'
    if (link.float && headAt(moment, unknowns, placeOf.get(link.float.tank.id)!) >= link.float.shutsAtM)
      return 'float-shut'
    if (link.pumps.length && pump === 'stands') return 'stopped'
    if (closed || noForward) return 'dry'
    const push = link.pumps.reduce((sum, each) => sum + each.shutOffM, 0)
    const aheadM = headAt(moment, unknowns, link.from) + push - headAt(moment, unknowns, link.to)
    if (link.pumps.some(each => each.diaphragm)) return 'stopped'
    return link.check && aheadM < -STILL_LPS ? 'checked' : 'still'
  }
}

const pressureOf = ({ pressureKPa }: { pressureKPa: number }) => ({ pressureKPa })

/** What a link is called in a sentence. */
function called(site: Site, link: Link | undefined): string {
  const run = link?.runId === undefined ? undefined : (graphOf(site).run(link.runId) as Run)
  return run ? `“${runName(site, run)}”` : 'a tap or a source'
}
const offItsLaw = (site: Site, { worst, energyM }: Solution): string =>
  `No steady flow was found: along ${called(site, worst)} the heads are still ${energyM.toPrecision(2)} m apart.`
const unsettledHolder = (site: Site, link: Link): string =>
  `No steady flow was found: what holds the pressure of ${called(site, link)} never settles, since each of what it ` +
  'does asks for another.'
