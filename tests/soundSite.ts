import { build, put, setUp, type Edit } from './sites'
import type { LiftId, PipeSeriesId } from '../core/catalog'
import type { Part, PartKind, PartOf, SiteNode, Tank } from '../core/kinds'
import { moveOf, setField } from '../core/moves'
import { feedsOf, type Gutter, type Site } from '../core/site'

/** A site of a kitchen and beds in which no check finds anything. */
export const sound = () =>
  setUp(
    'wet-town',
    [
      { preset: 'kitchen', count: 3 },
      { preset: 'beds', count: 15 },
    ],
    { place: { latitudeDeg: 52, altitudeM: 60, frostDepthM: 0.4 } },
  )
export const set = (site: Site, id: string, field: keyof SiteNode | string, value: unknown): Edit =>
  put(['nodes', site.nodes.findIndex(node => node.id === id), field], value)
export const portField = (site: Site, id: string, port: string, field: string, value: unknown): Edit => {
  const at = site.nodes.findIndex(node => node.id === id)
  return put(['nodes', at, 'ports', (site.nodes[at] as Tank).ports.findIndex(each => each.name === port), field], value)
}
export const pipeOf = (site: Site, from: string) =>
  site.runs.find(run => run.from.node === from)!.parts.find(part => part.kind === 'pipe')!
export const linkOf = (site: Site) => site.runs.find(run => run.from.port.startsWith('link'))!
export const outletOf = (site: Site) => site.runs.find(run => run.from.port === 'outlet')!.from
export const without = (site: Site, drop: (part: { kind: string }) => boolean): Site => ({
  ...site,
  runs: site.runs.map(run => ({ ...run, parts: run.parts.filter(part => !drop(part)) })),
})

export const gutter = (change: Partial<Gutter>): Edit =>
  put(['roofs', 0, 'spouts', 0, 'gutter'], {
    profile: 'half-round',
    widthMm: 75,
    depthMm: 38,
    slope: 0,
    outletAt: 'end',
    guard: 'none',
    below: 'harmless',
    ...change,
  })

/** A cow that is served last, from tanks a tenth as wide. */
export function thirstyHerd(site: Site): Site {
  const tanks = site.nodes.filter(node => node.kind === 'tank').map(({ id }) => id)
  const herd = build(site, moveOf('addUse', { preset: 'cattle', count: 1 }), put(['uses', 2, 'priority'], 3))
  return build(
    herd,
    moveOf('setHeight', { node: herd.uses[2]!.at, baseM: 0.5 }),
    moveOf('widenTanks', { tanks, share: 0.1 }),
  )
}

export const partOf = <Kind extends PartKind>(site: Site, kind: Kind) =>
  site.runs.flatMap(run => run.parts).find(part => part.kind === kind) as PartOf<Kind>
export const pumpRun = (site: Site) => feedsOf(site).find(feed => feed.pump)!.trunk[0]!
export const lifted = (site: Site, by: LiftId, hold?: 'pressure-tank') =>
  build(site, moveOf('liftBy', { run: pumpRun(site).id, by, ...(hold ? { hold } : {}) }))
export const vessel = (site: Site) => lifted(site, 'jet', 'pressure-tank')
export const branchPipe = (site: Site, boreMm: number) => {
  const pipe = site.runs.find(run => run.to.node === 'tap-1')!.parts.find(part => part.kind === 'pipe')!
  return build(site, setField('part', pipe.id, 'innerDiameterMm', boreMm))
}
/** The beds served by a suction pump on a well, its water so deep. */
export function onWell(site: Site, stillM: number): Site {
  const led = build(site, moveOf('drawFrom', { use: 'use-2', tank: 'well-1' }))
  const deep = build(led, setField('node', 'well-1', 'stillWaterDepthM', stillM))
  return build(
    deep,
    moveOf('liftBy', { run: feedsOf(deep).find(feed => feed.source.id === 'well-1')!.trunk[0]!.id, by: 'jet' }),
  )
}
export const withWell = (site: Site) => build(site, moveOf('addSource', { kind: 'well' }))

/** Lines of one metre between joints of their own, each laid in a series. */
export function withLines(site: Site, ...lines: [from: string, to: string, series: PipeSeriesId][]): Site {
  const ends = [...new Set(lines.flatMap(([from, to]) => [from, to]))]
  const joints = ends.map(id => ({ id, kind: 'joint', name: id, baseM: 0, groundM: 0 }) as SiteNode)
  const runs = lines.map(([from, to, series], at) => ({
    id: `line-${at + 1}`,
    from: { node: from, port: 'out' },
    to: { node: to, port: 'in' },
    parts: [
      { id: `pipe-${at}`, kind: 'pipe', lengthM: 1, innerDiameterMm: 26.64, roughnessMm: 0.0015, series } as Part,
    ],
  }))
  return { ...site, nodes: [...site.nodes, ...joints], runs: [...site.runs, ...runs] }
}
/** Every pipe of a site laid in one series. */
export const laidIn = (site: Site, series: PipeSeriesId): Site => ({
  ...site,
  runs: site.runs.map(run => ({
    ...run,
    parts: run.parts.map(part => (part.kind === 'pipe' ? { ...part, series } : part)),
  })),
})
export const valvesOf = (site: Site): string[] =>
  site.runs.flatMap(run => run.parts.flatMap(part => (part.kind === 'valve' ? [part.id] : [])))
/** A hill tank filled over its top by a jet pump and a float. */
export function filledHill(site: Site): Site {
  const hill = build(site, moveOf('addTank', { kind: 'header', how: 'alone' }))
  return build(
    hill,
    moveOf('setHeight', { node: 'tank-3', baseM: 12 }),
    moveOf('liftUp', { from: 'tank-1', tank: 'tank-3', by: 'jet', line: 'over' }),
  )
}
export const raisedInlet = (site: Site) => {
  const { to } = site.runs.find(run => run.parts.some(part => part.kind === 'float'))!
  return moveOf('setPort', { tank: to.node, port: to.port, heightM: 1.15 })
}
