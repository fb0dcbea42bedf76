import { randomLcg } from 'd3-random'
import { blank } from './sites'
import { withIds, type Run, type Site } from '../core/site'
import type { NewPart, Port, SiteNode } from '../core/kinds'
import { PUMP_IDS } from '../core/catalog'

/** Lines under pressure in few words: what stands where, and what joins it. */
export interface Works {
  nodes: SiteNode[]
  runs: [id: string, from: string, to: string, parts: NewPart[]][]
}

const at = (id: string, baseM: number) => ({ id, name: id, baseM, groundM: 0 })
const port = (name: string, role: Port['role'], heightM: number): Port => ({ name, role, heightM, boreMm: 25 })

/** A tank of one square metre and two metres’ height, with holes at its floor, at half its height and near its rim. */
export const tankAt = (id: string, baseM: number): SiteNode => ({
  ...at(id, baseM),
  kind: 'tank',
  tankKind: 'tote',
  shape: { shape: 'box', lengthM: 1, widthM: 1, heightM: 2 },
  emptyMassKg: 50,
  ports: [
    port('out', 'outlet', 0),
    port('half', 'outlet', 1),
    port('in', 'inlet', 1.9),
    port('overflow', 'overflow', 1.8),
  ],
  lid: true,
  lightTight: true,
  sunlit: false,
  ventMm: 50,
  base: 'slab',
  inletStyle: 'top',
})
const RULE = { startShare: 0.2, stopShare: 0.8, months: [] }
export const mainAt = (id: string, baseM: number, pressureKPa: number, told: object = {}): SiteNode =>
  ({ ...at(id, baseM), kind: 'main', pressureKPa, rule: RULE, ...told }) as SiteNode
export const wellAt = (id: string, waterDepthM: number, told: object = {}): SiteNode =>
  ({
    ...at(id, -30),
    kind: 'well',
    depthM: 30,
    stillWaterDepthM: waterDepthM,
    yieldLPerDay: 1e4,
    rule: RULE,
    ...told,
  }) as SiteNode
export const jointAt = (id: string, baseM: number): SiteNode => ({ ...at(id, baseM), kind: 'joint' })
export const tapAt = (id: string, baseM: number, told: object = {}): SiteNode =>
  ({ ...at(id, baseM), kind: 'tap', fixture: 'kitchen', ...told }) as SiteNode
export const outfallAt = (id: string, baseM: number): SiteNode => ({ ...at(id, baseM), kind: 'outfall', to: 'ground' })
export const pressureTankAt = (id: string, baseM: number): SiteNode => ({
  ...at(id, baseM),
  kind: 'pressureTank',
  volumeL: 100,
  prechargeKPa: 180,
  cutInKPa: 200,
  cutOutKPa: 300,
})
export const pipe = (lengthM: number, innerDiameterMm = 25): NewPart => ({
  kind: 'pipe',
  lengthM,
  innerDiameterMm,
  roughnessMm: 0.0015,
})

/** A site of these lines; an end is `node`, or `node.port` where it is not the usual one. */
export function worksOf({ nodes, runs }: Works): Site {
  const usual: Partial<Record<SiteNode['kind'], [string, string]>> = { tank: ['out', 'in'] }
  const end = (said: string, into: boolean): Run['from'] => {
    const [node, named] = said.split('.') as [string, string?]
    const kind = nodes.find(({ id }) => id === node)!.kind
    return { node, port: named ?? (usual[kind] ?? ['out', 'in'])[into ? 1 : 0]! }
  }
  const site = blank()
  return withIds({
    ...site,
    place: { ...site.place, waterTemperatureC: 15 },
    nodes,
    runs: runs.map(([id, from, to, parts]) => ({ id, from: end(from, false), to: end(to, true), parts })),
  } as unknown as Site)
}

/**
 * Made-up lines: joints on a tree with some rings, tanks, mains and wells at some of them, taps at others, and any parts
 * between. The same seed makes the same.
 */
export function randomWorks(seed: number, joints: number): Works {
  const random = randomLcg(seed / 1e6)
  const upTo = (most: number) => Math.floor(random() * most)
  const between = (least: number, most: number) => least + (most - least) * random()
  const chance = (share: number) => random() < share
  const parts = (): NewPart[] => [
    ...(chance(0.2) ? [{ kind: 'valve', boreMm: 25, open: chance(0.9) } as const] : []),
    pipe(between(1, 80), [16, 20, 25, 32, 50][upTo(5)]),
    ...(chance(0.15) ? [{ kind: 'check', boreMm: 25 } as const] : []),
    ...(chance(0.1) ? [{ kind: 'filter', ratingUm: 5, medium: 'carbon' } as const] : []),
    ...(chance(0.1) ? [randomPump(PUMP_IDS[upTo(PUMP_IDS.length)]!)] : []),
    ...(chance(0.03) ? [{ kind: 'relief', setKPa: between(200, 800) } as const] : []),
  ]
  const randomPump = (kind: (typeof PUMP_IDS)[number]): NewPart => ({
    kind: 'pump',
    pump: kind,
    flowLps: between(0.1, 1.5),
    headM: between(5, 50),
  })
  const nodes: SiteNode[] = []
  const runs: Works['runs'] = []
  const join = (from: string, to: string) => runs.push([`r${runs.length}`, from, to, parts()])
  for (let joint = 0; joint < joints; joint++) {
    nodes.push(jointAt(`j${joint}`, between(0, 25)))
    if (joint) join(`j${upTo(joint)}`, `j${joint}`)
    if (joint > 2 && chance(0.25)) join(`j${upTo(joint)}`, `j${upTo(joint)}`)
    const thing = upTo(8)
    if (joint === 0 || thing === 0) {
      nodes.push(
        [tankAt, wellAt, (id: string) => mainAt(id, 0, between(150, 600))][upTo(3)]!(`s${joint}`, between(0, 25)),
      )
      join(`s${joint}`, `j${joint}`)
    } else if (thing < 4) {
      nodes.push(tapAt(`t${joint}`, between(0, 10), { fixture: chance(0.2) ? 'drip' : 'kitchen' }))
      join(`j${joint}`, `t${joint}`)
    } else if (thing === 4) {
      nodes.push(chance(0.5) ? tankAt(`b${joint}`, between(0, 30)) : outfallAt(`b${joint}`, between(0, 10)))
      join(`j${joint}`, `b${joint}`)
    }
  }
  // A line from a joint to itself carries nothing.
  return { nodes, runs: runs.filter(([, from, to]) => from !== to) }
}
