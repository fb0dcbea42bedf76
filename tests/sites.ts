import { whyNot } from '../core/answers'
import fc from 'fast-check'
import { type Move, type Site, readSite, withIds } from '../core/site'
import { applyMove, emptySite, moveOf, newSite, type NewSiteAnswers, standInClimate } from '../core/moves'
import type { NewPart } from '../core/kinds'
import { seriesOf } from '../core/climate'
import { CLIMATE_IDS, type ClimateId, TANK_KIND_IDS, USE_PRESET_IDS } from '../core/catalog'

/** A site edited by hand. */
export type Edit = (site: Site) => Site

/** Makes moves and edits one after another; one that is refused throws, so no test passes on a site it did not build. */
export function build(site: Site, ...steps: (Move | Edit)[]): Site {
  return steps.reduce((current, step) => {
    if (typeof step === 'function') return step(current)
    const result = applyMove(current, step)
    if (!result.ok) throw new Error(`${step.name}: ${whyNot(result)}`)
    return result.site
  }, site)
}

/** Why a move cannot be made; `made` where it can. */
export function refusal(site: Site, move: Move): string {
  const result = applyMove(site, move)
  return result.ok ? 'made' : whyNot(result)
}

/** A site as the three questions set it up: a slate house in a climate, unless told otherwise, for some uses. */
export function setUp(
  climate: ClimateId,
  uses: NewSiteAnswers['uses'],
  {
    roof = { name: 'House', lengthM: 11, widthM: 8, material: 'slate' as const },
    ...told
  }: Partial<NewSiteAnswers> = {},
): Site {
  const made = newSite({
    id: 's',
    name: 'Home',
    units: 'metric',
    climate: standInClimate(climate),
    place: { latitudeDeg: 52, altitudeM: 300, frostDepthM: 0.6 },
    ...(told.source ? {} : { roof }),
    uses,
    ...told,
  })
  if (!made.ok) throw new Error(whyNot(made))
  return made.site
}

/** Puts a value anywhere into a document, as somebody might who writes the file by hand. */
export const put =
  (path: (string | number)[], value: unknown): Edit =>
  site => {
    const edited = structuredClone(site) as unknown as Record<string | number, unknown>
    const holder = path.slice(0, -1).reduce((here, key) => here[key] as typeof edited, edited)
    if (value === undefined) Reflect.deleteProperty(holder, path.at(-1)!)
    else holder[path.at(-1)!] = value
    const read = readSite(edited)
    if (!read.ok) throw new Error(read.problems[0]!.sentence)
    return read.site
  }

/** One tank of a litre to the millimetre: a box of 1 m², 1 m tall, spilling at 0.9 m, with its outlet at the floor. */
export function plainTank(site: Site, id: string, shape: Record<string, unknown> = {}): Site {
  const added = build(site, moveOf('addTank', { kind: 'tote', how: 'alone', name: id }))
  const index = added.nodes.findIndex(node => node.kind === 'tank' && node.name === id)
  const node = added.nodes[index]!
  return build(
    added,
    put(['nodes', index, 'shape'], { shape: 'box', lengthM: 1, widthM: 1, heightM: 1, ...shape }),
    moveOf('setHeight', { node: node.id, baseM: 0 }),
    moveOf('setPort', { tank: node.id, port: 'inlet', heightM: 0.95 }),
    moveOf('setPort', { tank: node.id, port: 'overflow', heightM: 0.9 }),
    moveOf('setPort', { tank: node.id, port: 'outlet', heightM: 0 }),
    moveOf('setPort', { tank: node.id, port: 'link', heightM: 0 }),
  )
}

/** A run of parts between two ports, put in without a move. */
export const joinedBy = (site: Site, from: [string, string], to: [string, string], parts: NewPart[]): Site =>
  withIds({
    ...site,
    runs: [
      ...site.runs,
      {
        id: `line-${site.runs.length}`,
        name: 'line',
        from: { node: from[0], port: from[1] },
        to: { node: to[0], port: to[1] },
        parts,
      },
    ],
  } as Site)

export const blank = () => emptySite('test', 'Test')

const amounts = fc.double({ min: 0, max: 400, noNaN: true })
const heights = fc.double({ min: -3, max: 6, noNaN: true })

/** Steps a person might take in any order, well or ill advised; those that cannot be made on a site are left out. */
const arbitraryStep: fc.Arbitrary<(site: Site) => Move | Edit | undefined> = fc.oneof(
  fc
    .tuple(
      fc.constantFrom(...TANK_KIND_IDS),
      fc.constantFrom('alone' as const, 'joined' as const, 'spill' as const, 'stepped' as const, 'pump' as const),
      fc.nat(),
    )
    .map(
      ([kind, how, pick]) =>
        (site: Site) =>
          moveOf('addTank', { kind, how, to: how === 'alone' ? undefined : pickNode(site, 'tank', pick) }),
    ),
  fc.tuple(fc.double({ min: 0.5, max: 40, noNaN: true }), fc.double({ min: 0.5, max: 30, noNaN: true }), fc.nat()).map(
    ([lengthM, widthM, pick]) =>
      (site: Site) =>
        moveOf('addRoof', { name: 'Roof', lengthM, widthM, material: 'steel', tank: pickNode(site, 'tank', pick) }),
  ),
  fc.tuple(fc.constantFrom(...USE_PRESET_IDS), amounts, fc.nat()).map(
    ([preset, count, pick]) =>
      (site: Site) =>
        moveOf('addUse', { preset, count, tank: pickNode(site, 'tank', pick) }),
  ),
  fc.tuple(heights, fc.nat()).map(
    ([baseM, pick]) =>
      (site: Site) =>
        withNode(pickNode(site, undefined, pick), node => moveOf('setHeight', { node, baseM })),
  ),
  fc.tuple(fc.nat(), fc.nat(), fc.integer({ min: 10, max: 200 })).map(
    ([a, b, boreMm]) =>
      (site: Site) =>
        moveOf('linkAtBottom', { a: pickNode(site, 'tank', a) ?? '', b: pickNode(site, 'tank', b) ?? '', boreMm }),
  ),
  fc.tuple(fc.nat(), fc.nat()).map(
    ([a, b]) =>
      (site: Site) =>
        moveOf('spillInto', { from: pickNode(site, 'tank', a) ?? '', to: pickNode(site, 'tank', b) ?? '' }),
  ),
  fc
    .nat()
    .map(
      pick => (site: Site) =>
        withNode(pickNode(site, 'spout', pick), spout =>
          moveOf('fitFirstFlush', { spout, at: pick % 3 ? 'spout' : 'line' }),
        ),
    ),
  fc.tuple(fc.nat(), fc.nat(), heights).map(
    ([pick, into, lowM]) =>
      (site: Site) =>
        withNode(pickNode(site, 'spout', pick), spout =>
          pick % 2
            ? moveOf('dipLine', { spout, lowM })
            : moveOf('joinSpouts', { spout, into: pickNode(site, 'spout', into) ?? '' }),
        ),
  ),
  fc.tuple(fc.nat(), fc.constantFrom('spout' as const, 'inlet' as const, 'line' as const)).map(
    ([pick, type]) =>
      (site: Site) =>
        withNode(pickNode(site, 'spout', pick), spout => moveOf('fitScreen', { spout, type })),
  ),
  fc.tuple(fc.nat(), fc.integer({ min: 60, max: 200 })).map(
    ([pick, widthMm]) =>
      (site: Site) =>
        onRoof(site, pick, (_, index) =>
          put(['roofs', index, 'spouts', 0, 'gutter'], {
            profile: pick % 2 ? 'half-round' : 'box',
            widthMm,
            depthMm: 60,
            slope: 0.002,
            outletAt: 'middle',
            guard: 'mesh',
            below: 'unknown',
          }),
        ),
  ),
  fc.nat().map(pick => (site: Site) => onRoof(site, pick, roof => moveOf('addSpout', { roof }))),
  fc.tuple(fc.nat(), fc.double({ min: 0, max: 2, noNaN: true })).map(
    ([pick, heightM]) =>
      (site: Site) =>
        withNode(pickNode(site, 'tank', pick), tank => moveOf('setPort', { tank, port: 'overflow', heightM })),
  ),
  fc.nat().map(pick => (site: Site) => withNode(pickNode(site, undefined, pick), id => moveOf('remove', { id }))),
  fc.tuple(fc.constantFrom('feedByFloat' as const, 'mergeTank' as const, 'addSource' as const), fc.nat(), fc.nat()).map(
    ([how, a, b]) =>
      (site: Site) =>
        withNode(pickNode(site, 'tank', a), tank => {
          const other = pickNode(site, 'tank', b)!
          return how === 'feedByFloat'
            ? moveOf(how, { from: tank, to: other })
            : how === 'mergeTank'
              ? moveOf(how, { tank, into: other })
              : moveOf(how, { kind: b % 2 ? 'well' : 'main', tank })
        }),
  ),
  fc.tuple(fc.nat(), fc.constantFrom(...TANK_KIND_IDS), fc.double({ min: 0, max: 3000, noNaN: true })).map(
    ([pick, kind, litres]) =>
      (site: Site) =>
        withNode(
          pickNode(site, 'tank', pick),
          tank =>
            [
              moveOf('keepReserve', { tank, litres }),
              moveOf('setKind', { tank, kind }),
              moveOf('floatDrawOff', { tank, port: 'outlet', hoseM: litres / 1000 }),
              moveOf('setInlet', { tank, style: 'calmed' }),
            ][pick % 4],
        ),
  ),
  fc.tuple(fc.nat(), fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })).map(
    ([pick, belowShare, share]) =>
      (site: Site) =>
        withNode(site.uses[pick % Math.max(1, site.uses.length)]?.id, use =>
          moveOf('ration', { use, steps: [{ belowShare, share }] }),
        ),
  ),
  fc.nat().map(
    pick => (site: Site) =>
      withRun(site.runs[pick % Math.max(1, site.runs.length)], run =>
        moveOf('insertPart', {
          run: run.id,
          before: run.parts[0]?.id,
          part: pick % 2 ? { kind: 'valve', boreMm: 50, open: pick % 3 > 0 } : { kind: 'float', boreMm: 25 },
        }),
      ),
  ),
)

function onRoof<Step>(site: Site, pick: number, make: (id: string, index: number) => Step): Step | undefined {
  const index = pick % Math.max(1, site.roofs.length)
  return site.roofs[index]?.spouts.length ? make(site.roofs[index].id, index) : undefined
}
const withRun = (run: Site['runs'][number] | undefined, make: (run: Site['runs'][number]) => Move) => run && make(run)
const withNode = (id: string | undefined, make: (id: string) => Move | undefined) =>
  id === undefined ? undefined : make(id)

function pickNode(site: Site, kind: Site['nodes'][number]['kind'] | undefined, pick: number): string | undefined {
  const nodes = site.nodes.filter(node => !kind || node.kind === kind)
  return nodes.length ? nodes[pick % nodes.length]!.id : undefined
}

/** Any site that moves can build, ill-made ones and rings of tanks among them. */
export const arbitrarySite: fc.Arbitrary<Site> = fc
  .tuple(fc.constantFrom(...CLIMATE_IDS), fc.array(arbitraryStep, { minLength: 3, maxLength: 30 }))
  .map(([climate, steps]) =>
    steps.reduce(
      (site, step) => {
        const made = step(site)
        if (typeof made === 'function') return made(site)
        const result = made && applyMove(site, made)
        return result?.ok ? result.site : site
      },
      {
        ...build(
          blank(),
          moveOf('addTank', { kind: 'upright', how: 'alone' }),
          moveOf('addRoof', { name: 'House', lengthM: 10, widthM: 8, material: 'clay-tile' }),
        ),
        climate: standInClimate(climate),
      },
    ),
  )

/** Any rain: mostly dry, now and then a flood. */
export const arbitraryRain = fc.array(
  fc.oneof(
    { weight: 3, arbitrary: fc.constant(0) },
    { weight: 2, arbitrary: fc.double({ min: 0, max: 60, noNaN: true }) },
    { weight: 1, arbitrary: fc.double({ min: 0, max: 500, noNaN: true }) },
  ),
  { minLength: 1, maxLength: 400 },
)

/** Days of rain, from the first of January 1970 on. */
export const rainDays = (...rainMm: number[]) => seriesOf(0, Float64Array.from(rainMm), true)

/** A roof of 100 m² that loses nothing, led to the first tank. */
export function withRoof(site: Site, tank = 'tank-1'): Site {
  const roofed = build(site, moveOf('addRoof', { name: 'Roof', lengthM: 10, widthM: 10, material: 'steel', tank }))
  const index = roofed.roofs.length - 1
  return build(roofed, put(['roofs', index, 'runoffCoefficient'], 1), put(['roofs', index, 'wettingLossMm'], 0))
}

/** So many litres a day drawn from a tank, by a tap at the datum. */
export function using(site: Site, litresPerDay: number, tank = 'tank-1'): Site {
  const used = build(site, moveOf('addUse', { preset: 'sheep', count: litresPerDay / 5, tank }))
  const tap = used.nodes.find(node => node.kind === 'tap' && node.id === used.uses.at(-1)!.at)!
  return build(used, moveOf('setHeight', { node: tap.id, baseM: 0 }))
}

/** A joint, and a tap, that no line leads to yet. */
export const withJoint = (site: Site, id: string): Site => ({
  ...site,
  nodes: [...site.nodes, { kind: 'joint', id, name: id, baseM: 0, groundM: 0 }],
})
export const withTap = (site: Site, id: string, baseM: number): Site => ({
  ...site,
  nodes: [...site.nodes, { kind: 'tap', id, name: id, baseM, groundM: 0, fixture: 'tap' }],
})
