import { z } from 'zod'
import {
  addRun,
  defineMove,
  freshId,
  guessedLengthM,
  Impossible,
  named,
  required,
  pipe,
  toThousandth,
  union,
  valve,
} from './move'
import { branchOf } from './lift/liftBy'
import { freshPort } from './joins'
import { keepFitToDrink } from './treatment'
import { feedsOf, floatDropM, nameOf, nodeById, portsByRole, runsTo, groupSpillM, type Run, type Site } from '../site'
import type { NewPart, NodeOf, SiteNode, Tank } from '../kinds'

const ALL = Array.from({ length: 12 }, (_, month) => month + 1)
const FEED_MM = 20
const WELL_LINE_MM = 26.6
const WELL_DEEP_M = 30
const MAIN_DEEP_M = 0.6

export type Source = NodeOf<'well'> | NodeOf<'main'>

/** A well or a main as one usually finds it, beside what it serves. */
function makeSource(site: Site, kind: Source['kind'], name: string | undefined, groundM: number): Source {
  const source: Source =
    kind === 'well'
      ? {
          kind,
          id: freshId(site, 'well'),
          name: name ?? 'Well',
          baseM: groundM - WELL_DEEP_M,
          groundM,
          depthM: WELL_DEEP_M,
          stillWaterDepthM: 10,
          yieldLPerDay: 600,
          rule: { startShare: 0.3, stopShare: 0.5, months: [...ALL] },
        }
      : {
          kind,
          id: freshId(site, 'main'),
          name: name ?? 'Main',
          baseM: groundM - MAIN_DEEP_M,
          groundM,
          pressureKPa: 300,
          rule: { startShare: 0.25, stopShare: 0.25, months: [...ALL] },
        }
  site.nodes.push(source)
  return source
}

/** A well's pump gives so much; its water falls about so far while it runs, and the line takes this share. */
const [WELL_LPS, DRAWN_DOWN_M, FRICTION_SHARE] = [0.3, 3, 0.15]
const TAP_M = 20

/**
 * What stands at the beginning of a well's or a main's line: its pump, guarded and made for the lift, or its meter; and
 * what keeps water from coming back. A union lets it come out.
 * @param toM how high it is to bring water, above the datum, what is wanted at its end included
 */
function headOf(source: Source, toM: number): NewPart[] {
  if (source.kind === 'main')
    return [valve(FEED_MM), { kind: 'check', boreMm: FEED_MM }, { kind: 'meter', boreMm: FEED_MM }, union(FEED_MM)]
  const liftM = toM - (source.groundM - source.stillWaterDepthM - DRAWN_DOWN_M)
  const headM = Math.max(5, Math.ceil(liftM * (1 + FRICTION_SHARE)))
  return [
    { kind: 'pump', pump: 'submersible', flowLps: WELL_LPS, headM, dryGuard: true },
    { kind: 'check', boreMm: WELL_LINE_MM },
    union(WELL_LINE_MM),
    valve(WELL_LINE_MM),
  ]
}
const boreOf = (kind: Source['kind']) => (kind === 'well' ? WELL_LINE_MM : FEED_MM)

/** Over the rim with an air gap, so that the tank's water can never run back; a main's line ends in a float valve. */
function topUpLine(site: Site, source: Source, tank: Tank): void {
  const { kind, id } = source
  const inlet = portsByRole(tank, 'inlet')[0]
  const heightM = toThousandth(Math.max(inlet?.heightM ?? 0, groupSpillM(site, tank) - tank.baseM + 0.05))
  const port = { name: freshPort(tank, 'top-up'), role: 'inlet' as const, heightM, boreMm: FEED_MM }
  tank.ports.push(port)
  const [from, to] = [
    { node: id, port: 'out' },
    { node: tank.id, port: port.name },
  ]
  addRun(site, from, to, [
    ...headOf(source, tank.baseM + heightM),
    pipe(guessedLengthM(site, from, to, 12), boreOf(kind)),
    ...(kind === 'main'
      ? [{ kind: 'float' as const, boreMm: FEED_MM, dropM: floatDropM(site, tank.id, heightM) }]
      : []),
  ])
}

/** Straight to a tap, without a tank between. */
export function straightLine(site: Site, source: Source, tap: NodeOf<'tap'>): void {
  const { kind, id } = source
  const to = { node: tap.id, port: 'in' }
  // One pump in the well serves all that is led from it.
  const served = kind === 'well' ? feedsOf(site).find(feed => feed.source.id === id && feed.pump) : undefined
  if (served) {
    const branch = { node: branchOf(site, served).id, port: 'out' }
    addRun(site, branch, to, [valve(WELL_LINE_MM), pipe(guessedLengthM(site, branch, to, 6), WELL_LINE_MM)])
    return
  }
  const from = { node: id, port: 'out' }
  const line = pipe(guessedLengthM(site, from, to, 12), boreOf(kind))
  addRun(site, from, to, [...headOf(source, tap.baseM + TAP_M), line])
}

/**
 * A well or a main: it tops a tank up (a main trickles through a float valve, a well's pump runs when the tank stands
 * low), or goes straight to a use, or stands there for what is to be led from it.
 */
export const addSource = defineMove({
  args: z.object({
    kind: z.enum(['well', 'main']),
    tank: z.string().optional(),
    use: z.string().optional(),
    name: z.string().optional(),
  }),
  label: ({ kind, tank, use }, site) =>
    tank
      ? `Top ${nameOf(site, tank)} up from a ${kind}`
      : use
        ? `Lead a ${kind} straight to ${useNamed(site, use)?.name ?? 'a use'}`
        : `Add a ${kind}`,
  apply(site, { kind, tank: tankId, use: useId, name }) {
    if (tankId !== undefined) {
      const tank = required(site, tankId, 'tank')
      const source = makeSource(site, kind, name, tank.groundM)
      // What a trickle may bring in a day, so that a stuck float is not a burst.
      if (source.kind === 'main') source.rule.mostLPerDay = 1500
      topUpLine(site, source, tank)
    } else if (useId !== undefined) {
      const tap = tapOf(site, useId)
      const source = makeSource(site, kind, name, tap.groundM)
      keepFromComingBack(site, tap)
      straightLine(site, source, tap)
      keepFitToDrink(site, tap)
    } else makeSource(site, kind, name, site.nodes.find(node => node.kind === 'tank')?.groundM ?? 0)
  },
})

const useNamed = (site: Site, id: string) => site.uses.find(candidate => candidate.id === id)
function tapOf(site: Site, useId: string): NodeOf<'tap'> {
  const use = useNamed(site, useId)
  if (!use) throw new Impossible('That use is no longer in this site.')
  return required(site, use.at, 'tap')
}

/** Two waters meet there: each line that could take the other's back gets a check valve behind its first valve. */
export function keepFromComingBack(site: Site, { id }: { id: string }): void {
  for (const run of runsTo(site, id)) {
    if (run.parts.some(part => part.kind === 'check' || part.kind === 'pump')) continue
    const boreMm = run.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? FEED_MM
    const at = run.parts[0]?.kind === 'valve' ? 1 : 0
    run.parts = named(site, run.id, [...run.parts.slice(0, at), { kind: 'check', boreMm }, ...run.parts.slice(at)])
  }
}

const SOURCES: readonly SiteNode['kind'][] = ['tank', 'well', 'main']

/** Leads a tank, a well or a main that stands there to a use too, beside what serves it already. */
export const supplyFrom = defineMove({
  args: z.object({ use: z.string(), source: z.string() }),
  label: ({ use, source }, site) => `Serve ${useNamed(site, use)?.name ?? 'a use'} from ${nameOf(site, source)} too`,
  apply(site, { use, source: id }) {
    const tap = tapOf(site, use)
    const source = site.nodes.find(node => node.id === id)
    if (!source || !SOURCES.includes(source.kind)) throw new Impossible('That is no tank, well or main of this site.')
    if (runsTo(site, tap.id).some(run => run.from.node === id))
      throw new Impossible(`${source.name ?? 'That'} leads there already.`)
    if (source.kind === 'well' || source.kind === 'main') straightLine(site, source, tap)
    else if (source.kind === 'tank') tankLine(site, source, tap)
    if (runsTo(site, tap.id).length > 1) keepFromComingBack(site, tap)
  },
})

/** A tank's outlet led to a tap by a line of its own. */
export function tankLine(site: Site, tank: Tank, tap: NodeOf<'tap'>): Run {
  const [outlet] = portsByRole(tank, 'outlet')
  if (!outlet) throw new Impossible(`${tank.name} has no outlet; give it one first.`)
  const [from, to] = [
    { node: tank.id, port: outlet.name },
    { node: tap.id, port: 'in' },
  ]
  return addRun(site, from, to, [valve(outlet.boreMm), pipe(guessedLengthM(site, from, to, 8), WELL_LINE_MM)])
}

/** Leads a well or a main that stands there to a tank, to top it up. */
export const topUpFrom = defineMove({
  args: z.object({ source: z.string(), tank: z.string() }),
  label: ({ source, tank }, site) => `Top ${nameOf(site, tank)} up from ${nameOf(site, source)}`,
  apply(site, { source: id, tank }) {
    const source = nodeById(site, id)
    if (source.kind !== 'well' && source.kind !== 'main') throw new Impossible('That is no well or main.')
    topUpLine(site, source, required(site, tank, 'tank'))
  },
})

/**
 * Sets the level at which a well, a main or the cart comes; a trickle stops at the level it keeps, a batch where it
 * did or a third of the tank further up.
 */
export const setTrigger = defineMove({
  args: z.object({ source: z.string(), startShare: z.number().min(0).max(1) }),
  label: ({ source }, site) => `Set the trigger of ${nameOf(site, source)}`,
  apply(site, { source: id, startShare }) {
    const node = site.nodes.find(candidate => candidate.id === id)
    if (node?.kind === 'tank' && node.carted) node.carted.startShare = startShare
    else if (node?.kind === 'well' || node?.kind === 'main') {
      const { rule } = node
      const trickles = rule.startShare >= rule.stopShare
      rule.startShare = startShare
      rule.stopShare = trickles
        ? startShare
        : rule.stopShare > startShare
          ? rule.stopShare
          : Math.min(1, Math.round((startShare + 0.3) * 100) / 100)
    } else throw new Impossible('That source is no longer there.')
  },
})
