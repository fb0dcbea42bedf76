import type { Answer } from '../answers'
import { moveOf, setField } from './registry'
import { applyMoves } from './apply'
import { tankHeight } from '../sums'
import { feedsOf, type Climate, type Move, type Site, VERSION, tanksOf } from '../site'
import { CLIMATES, type ClimateId, type FixtureId, type RoofingId, type TankKindId, type UsePresetId } from '../catalog'

export interface NewSiteAnswers {
  id: string
  name: string
  units: Site['standards']['units']
  climate: Climate
  place: Pick<Site['place'], 'latitudeDeg' | 'altitudeM' | 'frostDepthM'>
  /** None where the water comes from outside alone, by what then brings it. */
  roof?: { name: string; lengthM: number; widthM: number; material: RoofingId }
  source?: 'main' | 'well' | 'cart'
  uses: { preset: UsePresetId; count: number }[]
}

/** A stand-in climate as a document's climate. */
export function standInClimate(id: ClimateId): Climate {
  const { rainMm, wetDays, tMinC, tMaxC, stormMmPerH, stormGrowth, name } = CLIMATES[id]
  return {
    months: rainMm.map((rain, month) => ({
      rainMm: rain,
      wetDays: wetDays[month]!,
      tMinC: tMinC[month]!,
      tMaxC: tMaxC[month]!,
    })),
    storm: { returnYears: 5, minutes: 5 },
    burst: { fiveYearMmPerH: stormMmPerH, returnExponent: stormGrowth },
    standIn: id,
    source: `stand-in climate: ${name}`,
  }
}

export function emptySite(id: string, name: string): Site {
  const { latitudeDeg, altitudeM } = CLIMATES['wet-town']
  return {
    format: 'tall-cask/site',
    version: VERSION,
    id,
    name,
    note: '',
    standards: { units: 'metric', pipes: 'metric', threads: 'parallel', volts: 230, hertz: 50, currency: '' },
    place: { latitudeDeg, altitudeM, waterTemperatureC: 15 },
    climate: standInClimate('wet-town'),
    roofs: [],
    nodes: [],
    runs: [],
    uses: [],
    modes: [],
    options: [],
  }
}

/**
 * A small sound design from three answers: where, what roof (or what water from outside), what for. Two joined tanks of
 * a common size, one first flush under a roof, an overflow that leads away, and a tap for each use. Everything about it
 * can be changed afterwards.
 */
export function newSite(answers: NewSiteAnswers): Answer<{ site: Site }> {
  const american = answers.units === 'us'
  const base: Site = {
    ...emptySite(answers.id, answers.name),
    climate: answers.climate,
    place: { ...answers.place, waterTemperatureC: 15 },
    standards: {
      units: answers.units,
      pipes: answers.units === 'metric' ? 'metric' : 'inch',
      threads: american ? 'tapered' : 'parallel',
      volts: american ? 120 : 230,
      hertz: american ? 60 : 50,
      currency: '',
    },
  }
  const kind = tankFor(answers)
  const roofed = applyMoves(base, [
    moveOf('addTank', { kind, how: 'alone' }),
    moveOf('addTank', { kind, how: 'joined', to: 'tank-1' }),
    ...filling(answers),
  ])
  if (!roofed.ok) return roofed
  const rest: Move[] = [
    ...(answers.roof ? [moveOf('fitFirstFlush', { spout: 'spout-1' })] : []),
    ...answers.uses.map(use => moveOf('addUse', use)),
  ]
  // A clear tote in the sun grows algae: the small sound design wraps it from the start.
  for (const tank of tanksOf(roofed.site))
    if (!tank.lightTight) rest.push(moveOf('set', { of: 'node', id: tank.id, field: 'lightTight', value: true }))
  const used = applyMoves(roofed.site, rest)
  return used.ok ? applyMoves(used.site, lowTaps(used.site)) : used
}

/** What falls to a tap is all but this share of the tank, where the tap hangs this low. */
const MOST_BELOW = 0.12
/** A hose wants what height there is; where nothing is pumped, beds and troughs want all the water. */
const HANGS_LOW = { hose: 'always', drip: 'unpumped', trough: 'unpumped' } as const satisfies {
  [Fixture in FixtureId]?: 'always' | 'unpumped'
}

/** Taps that water falls to, set so low that it does. */
function lowTaps(site: Site): Move[] {
  const [tank] = tanksOf(site)
  if (!tank) return []
  const lowM = tank.baseM + MOST_BELOW * tankHeight(tank.shape)
  const feeds = feedsOf(site).filter(({ source }) => source.kind === 'tank')
  const isPumped = feeds.some(({ pump }) => pump)
  return feeds
    .filter(({ pump }) => !pump)
    .flatMap(({ taps }) => taps)
    .filter(({ fixture, baseM }) => {
      const when = HANGS_LOW[fixture as keyof typeof HANGS_LOW]
      return baseM > lowM && (when === 'always' || (when === 'unpumped' && !isPumped))
    })
    .map(({ id, groundM }) => moveOf('setHeight', { node: id, baseM: Math.max(groundM + 0.1, lowM) }))
}

/** What fills the first tank: the roof, or what comes from outside; a main keeps it nearly full, for when it fails. */
function filling({ roof, source }: NewSiteAnswers): Move[] {
  if (roof) return [moveOf('addRoof', { ...roof, tank: 'tank-1' })]
  if (source === 'cart') return [setField('node', 'tank-1', 'carted', { loadL: 2000, startShare: 0.25 })]
  if (source === 'well') return [moveOf('addSource', { kind: 'well', tank: 'tank-1' })]
  const keepFull = ['startShare', 'stopShare'].map(field => setField('node', 'main-1', `rule.${field}`, 0.95))
  return [
    moveOf('addSource', { kind: 'main', tank: 'tank-1' }),
    ...keepFull,
    setField('node', 'main-1', 'rule.mostLPerDay', undefined),
  ]
}

/** Totes for a small roof or a garden, upright tanks once the roof can fill them or people live from it. */
function tankFor(answers: NewSiteAnswers): TankKindId {
  const areaM2 = answers.roof ? answers.roof.lengthM * answers.roof.widthM : 0
  const household = answers.uses.some(use => ['kitchen', 'shower', 'flush', 'laundry', 'cattle'].includes(use.preset))
  return household || areaM2 > 80 ? 'upright' : 'tote'
}
