import type { NewPart, Part, PartOf, SiteNode } from '../kinds'
import { graphOf, type Run, type Site } from '../site'
import { holed, holedTank } from './holes'
import { boreMm } from '../network'

/** What breaks at a part, a run, a tank or a pressure tank: how the document is where it has. */
export interface FaultRow {
  /** What it is called, and what a person would notice. */
  name: string
  noticed: string
  /** How much of it there is where nobody says: a share, or for a switch kPa. */
  usual: number
  /** Where in a site it can happen: ids. */
  places: (site: Site) => string[]
  /** The site as it is then; a fault of the plant alone (lost gas, a stuck ball) leaves it as it is. */
  breaks: (site: Site, at: string, to: number) => Site
}

const partsThat = (site: Site, holds: (part: Part) => boolean): string[] =>
  site.runs.flatMap(run => run.parts.filter(holds).map(part => part.id))
const kinds =
  (...wanted: Part['kind'][]) =>
  (site: Site) =>
    partsThat(site, part => wanted.includes(part.kind))
const nodesOf =
  (...wanted: SiteNode['kind'][]) =>
  (site: Site) =>
    site.nodes.filter(node => wanted.includes(node.kind)).map(node => node.id)

function withPart(site: Site, id: string, change: (part: Part) => Part | NewPart): Site {
  const runs = site.runs.map(run =>
    run.parts.some(part => part.id === id)
      ? { ...run, parts: run.parts.map(part => (part.id === id ? ({ id, ...change(part) } as Part) : part)) }
      : run,
  )
  return { ...site, runs }
}
const withRun = (site: Site, id: string, change: (run: Run) => Run): Site => ({
  ...site,
  runs: site.runs.map(run => (run.id === id ? change(run) : run)),
})
const withNode = <Kind extends SiteNode['kind']>(
  site: Site,
  id: string,
  kind: Kind,
  change: (node: Extract<SiteNode, { kind: Kind }>) => Partial<Extract<SiteNode, { kind: Kind }>>,
): Site => ({
  ...site,
  nodes: site.nodes.map(node =>
    node.id === id && node.kind === kind
      ? ({ ...node, ...change(node as Extract<SiteNode, { kind: Kind }>) } as SiteNode)
      : node,
  ),
})

/** Resistance of something clogged: what is left open passes as a narrower hole does. */
const clogged = (share: number) => 1 / (1 - Math.min(0.98, share)) ** 2
/** Fittings of no loss of their own clog against this many velocity heads. */
const BARE_K = 1.5

/** Pumps weaken in all they give. */
const weaker = (pump: PartOf<'pump'>, flow: number, head: number): PartOf<'pump'> => ({
  ...pump,
  flowLps: pump.flowLps * flow,
  headM: pump.headM * head,
  curve: pump.curve?.map(point => ({ flowLps: point.flowLps * flow, headM: point.headM * head })),
})

const underPressure = (site: Site): string[] => {
  const graph = graphOf(site)
  const isRoof = (id: string) => ['spout', 'chamber'].includes(graph.node(id)?.kind ?? 'spout')
  const spills = ({ node, port }: Run['from']) => {
    const at = graph.node(node)
    return at?.kind === 'tank' && at.ports.find(each => each.name === port)?.role === 'overflow'
  }
  return site.runs
    .filter(run => !isRoof(run.from.node) && !isRoof(run.to.node) && !spills(run.from))
    .map(({ id }) => id)
}
const asIs = (site: Site) => site

export const FAULTS = {
  'check-passes': {
    name: 'a check valve that passes',
    noticed: 'water runs back once nothing pushes it: pressure falls with all taps shut, or a tank fills by itself',
    usual: 0.2,
    places: kinds('check'),
    breaks: (site, at, to) =>
      withPart(site, at, part => (part.kind === 'check' ? { ...part, passesShare: Math.max(0.001, to) } : part)),
  },
  'float-stuck-open': {
    name: 'a float valve stuck open',
    noticed: 'the tank runs over although it has a float',
    usual: 1,
    places: kinds('float'),
    breaks: (site, at) =>
      withPart(site, at, part =>
        part.kind === 'float' ? { kind: 'valve', boreMm: part.boreMm, open: true, k: part.k ?? 6 } : part,
      ),
  },
  'float-stuck-shut': {
    name: 'a float valve stuck shut',
    noticed: 'the tank does not fill, and falls as it is drawn on',
    usual: 1,
    places: kinds('float'),
    breaks: (site, at) =>
      withPart(site, at, part => (part.kind === 'float' ? { kind: 'valve', boreMm: part.boreMm, open: false } : part)),
  },
  'switch-wrong': {
    name: 'a pressure switch set wrong',
    noticed: 'the pump stops at another pressure than it should, or never',
    usual: -60,
    places: nodesOf('pressureTank'),
    breaks: (site, at, to) =>
      withNode(site, at, 'pressureTank', ({ cutInKPa, cutOutKPa }) => ({
        cutInKPa: Math.max(10, cutInKPa + to),
        cutOutKPa: Math.max(20, cutOutKPa + to),
      })),
  },
  'gas-lost': {
    name: 'a pressure tank that has lost its gas',
    noticed: 'the pump starts every few litres',
    usual: 0.8,
    places: nodesOf('pressureTank'),
    breaks: asIs,
  },
  burst: {
    name: 'a burst pipe',
    noticed: 'weak taps, a pump that does not stop, water where none should be',
    usual: 1,
    places: underPressure,
    breaks: (site, at, to) => {
      const run = graphOf(site).run(at)
      return run ? holed(site, at, Math.max(1, to * boreMm(run))) : site
    },
  },
  leak: {
    name: 'a leak',
    noticed: 'pressure that falls with all taps shut, a wet place, a pump that starts at night',
    usual: 0.1,
    places: underPressure,
    breaks: (site, at, to) => {
      const run = graphOf(site).run(at)
      return run ? holed(site, at, Math.max(0.5, to * boreMm(run))) : site
    },
  },
  'tank-leaks': {
    name: 'a tank that leaks',
    noticed: 'its level falls with nothing open',
    usual: 4,
    places: nodesOf('tank'),
    breaks: holedTank,
  },
  clogged: {
    name: 'a clogged screen, filter or meter',
    noticed: 'taps behind it are weak, and weaker the more of them run',
    usual: 0.85,
    places: kinds('screen', 'filter', 'lamp', 'meter'),
    breaks: (site, at, to) =>
      withPart(site, at, part => {
        if (part.kind === 'filter' || part.kind === 'lamp') {
          const clean = part.lossKPaAtRated ?? (part.kind === 'lamp' ? 7 : part.medium === 'carbon' ? 30 : 15)
          return { ...part, lossKPaAtRated: Math.min(1000, clean * clogged(to)) }
        }
        return 'k' in part ? { ...part, k: (part.k || BARE_K) * clogged(to) } : { ...part, k: BARE_K * clogged(to) }
      }),
  },
  'outlet-clogged': {
    name: 'a chamber outlet that is clogged',
    noticed: 'the chamber is still full before the next rain, which goes in dirty',
    usual: 1,
    places: nodesOf('chamber'),
    breaks: (site, at) => withNode(site, at, 'chamber', () => ({ orificeMm: null })),
  },
  'ball-stuck': {
    name: 'a ball that sticks in its seat',
    noticed: 'the chamber stays empty, and the first water goes to the tank',
    usual: 1,
    places: nodesOf('chamber'),
    breaks: asIs,
  },
  'pump-worn': {
    name: 'a worn pump',
    noticed: 'it runs longer, and all taps are weaker',
    usual: 0.3,
    places: kinds('pump'),
    breaks: (site, at, to) =>
      withPart(site, at, part => (part.kind === 'pump' ? weaker(part, 1, Math.max(0.02, 1 - to)) : part)),
  },
  'air-in-suction': {
    name: 'air in the suction line',
    noticed: 'taps spit, the pump is loud and brings little',
    usual: 0.7,
    places: kinds('pump'),
    breaks: (site, at, to) =>
      withPart(site, at, part =>
        part.kind === 'pump' ? weaker(part, Math.max(0.02, 1 - to), Math.max(0.2, 1 - to / 2)) : part,
      ),
  },
  frozen: {
    name: 'a frozen line',
    noticed: 'nothing comes through it',
    usual: 1,
    places: underPressure,
    breaks: (site, at) =>
      withRun(site, at, run => ({
        ...run,
        parts: [...run.parts, { id: `ice-${run.id}`, kind: 'valve', boreMm: boreMm(run), open: false }],
      })),
  },
} satisfies Record<string, FaultRow>
export type FaultId = keyof typeof FAULTS
export const FAULT_IDS = Object.keys(FAULTS) as [FaultId, ...FaultId[]]

/** Something broken: what, where, and how much. */
export interface Fault {
  fault: FaultId
  at: string
  to: number
}

/** A site with what is broken in it. */
export const broken = (site: Site, faults: readonly Fault[]): Site =>
  faults.reduce((so, { fault, at, to }) => FAULTS[fault].breaks(so, at, to), site)
