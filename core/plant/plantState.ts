import { overflowWeirs, type WeirFlow } from './overflowWeirs'
import { broken, type Fault } from './faults'
import { plantPower, type PlantPower } from './supply'
import { heldInTank, heldInVessel, type PlantStore } from './stores'
import { pumpControls, type PumpControl } from './switches'
import { floatShutsM, inMode, tanksOf, type Site } from '../site'
import { overTimeOf, type Lines } from '../network'
import type { NodeOf, PartOf } from '../kinds'

/** Where each flow of a line comes from or goes to, beyond joints: one of the stores by its place, or off the site. */
export type FlowEnd = { store: number } | 'source' | 'out' | 'weir' | undefined

/** A plant's lines as its valves stand, what is broken, and the sun: made anew when any of them changes. */
export interface PlantState {
  site: Site
  lines: Lines
  held: PlantStore[]
  /** Of each store: its id, and whether it is a tank. */
  ids: string[]
  isTank: boolean[]
  weirs: WeirFlow[]
  /** The store that each weir belongs to, and the one it spills into. */
  weirOf: number[]
  weirInto: (number | undefined)[]
  controls: PumpControl[]
  supply: PlantPower
  /** Each well with the links that lead from it, and which way they count. */
  wells: { id: string; well: NodeOf<'well'>; links: { at: number; sign: 1 | -1 }[] }[]
  floats: { runId: string; store: number; shutsAtM: number }[]
  ends: { from: FlowEnd; to: FlowEnd }[]
  linkOfRun: Map<string, number>
  linkOfTap: Map<string, number>
}

/** How the plant is set beyond its document. */
export interface Setting {
  valves: ReadonlyMap<string, boolean>
  faults: readonly Fault[]
  /** Share of full sun, in steps. */
  sun: number
}

/** A solar pump's speed goes with the cube root of its power. */
const slowed = (pump: PartOf<'pump'>, sun: number): PartOf<'pump'> => {
  const speed = Math.cbrt(sun)
  return {
    ...pump,
    flowLps: pump.flowLps * speed,
    headM: pump.headM * speed ** 2,
    curve: pump.curve?.map(({ flowLps, headM }) => ({ flowLps: flowLps * speed, headM: headM * speed ** 2 })),
  }
}

function bySun(site: Site, sun: number): Site {
  if (sun >= 1 || sun <= 0) return site
  const runs = site.runs.map(run =>
    run.parts.some(part => part.kind === 'pump' && part.pump === 'solar')
      ? {
          ...run,
          parts: run.parts.map(part => (part.kind === 'pump' && part.pump === 'solar' ? slowed(part, sun) : part)),
        }
      : run,
  )
  return { ...site, runs }
}

export function plantStateOf(document: Site, { valves, faults, sun }: Setting): PlantState {
  const positions = [...valves].map(([part, open]) => ({ part, open }))
  const turned = positions.length ? inMode(document, { id: 'now', name: '', positions }) : document
  const site = bySun(broken(turned, faults), sun)
  const lines = overTimeOf(site)
  const gasOf = (id: string) =>
    faults.reduce((share, { fault, at, to }) => (fault === 'gas-lost' && at === id ? share * (1 - to) : share), 1)
  const held = lines.stores.map(({ node }) =>
    node.kind === 'tank' ? heldInTank(node) : heldInVessel(node, gasOf(node.id)),
  )
  const ids = lines.stores.map(({ node }) => node.id)
  const storeOf = (id: string | undefined) => {
    const at = id === undefined ? -1 : ids.indexOf(id)
    return at < 0 ? undefined : at
  }
  const weirs = tanksOf(site).flatMap(tank => overflowWeirs(site, tank))
  const [linkOfRun, linkOfTap] = [new Map<string, number>(), new Map<string, number>()]
  lines.links.forEach((link, at) => {
    if (link.runId !== undefined && !linkOfRun.has(link.runId)) linkOfRun.set(link.runId, at)
    if (link.tap) linkOfTap.set(link.tap.id, at)
  })
  const controls = pumpControls(site)
  return {
    site,
    lines,
    held,
    ids,
    isTank: lines.stores.map(({ node }) => node.kind === 'tank'),
    weirs,
    weirOf: weirs.map(({ tankId }) => storeOf(tankId)!),
    weirInto: weirs.map(({ intoTank }) => storeOf(intoTank)),
    controls,
    supply: plantPower(document, controls),
    wells: wellsOf(site, linkOfRun),
    floats: site.runs.flatMap(run => {
      const store = storeOf(run.to.node)
      const shutsAtM = floatShutsM(site, run)
      return shutsAtM !== undefined && store !== undefined ? [{ runId: run.id, store, shutsAtM }] : []
    }),
    ends: endsOf(lines, ids),
    linkOfRun,
    linkOfTap,
  }
}

function wellsOf(site: Site, linkOfRun: ReadonlyMap<string, number>): PlantState['wells'] {
  const linkAt = (runId: string, sign: 1 | -1): { at: number; sign: 1 | -1 }[] => {
    const at = linkOfRun.get(runId)
    return at === undefined ? [] : [{ at, sign }]
  }
  return site.nodes.flatMap(well => {
    if (well.kind !== 'well') return []
    const links = site.runs.flatMap(({ id, from, to }) => {
      if (from.node === well.id) return linkAt(id, 1)
      return to.node === well.id ? linkAt(id, -1) : []
    })
    return [{ id: well.id, well, links }]
  })
}

/** What each link's fixed ends are. */
function endsOf({ links, unknowns, fixed, stores, openings, weirs }: Lines, ids: string[]): PlantState['ends'] {
  const still = new Set(stores.map(store => store.fixed))
  const falling = new Map([...openings.values()].map(({ dry, tankId }) => [dry, tankId]))
  const over = new Set(weirs.map(({ link }) => link))
  const endAt = (place: number, link: number): FlowEnd => {
    const known = fixed[place - unknowns]
    if (!known || still.has(place - unknowns)) return undefined
    if (known.kind === 'main' || (known.kind === 'head' && known.gives)) return 'source'
    if (over.has(link)) return 'weir'
    const tank = falling.get(link)
    return tank === undefined ? 'out' : { store: ids.indexOf(tank) }
  }
  return links.map(({ from, to }, at) => ({ from: endAt(from, at), to: endAt(to, at) }))
}
