import {
  addRun,
  defineMove,
  freshId,
  guessedLengthM,
  required,
  pipe,
  Impossible,
  valve,
  named,
  toThousandth,
} from './move'
import { headOf, leavesHigh, raiseHole } from './lift/parts'
import { straightLine, type Source } from './sources'
import { fitTreatment } from './treatment'
import { dripZone, headOfPressureM } from '../sums'
import {
  unstrained,
  zonesWithin,
  graphOf,
  litresPerDay,
  portsByRole,
  rimM,
  tanksOf,
  type Amount,
  type Site,
  type Use,
  walk,
  isPumped,
  idsOf,
  freeId,
} from '../site'
import type { NodeOf, Tank, SiteNode } from '../kinds'
import { COMFORT_KPA, USE_PRESET_IDS, USE_PRESETS, type UsePresetId } from '../catalog'
import { z } from 'zod'

const ALL_YEAR = Array.from({ length: 12 }, () => 1)
const SUPPLY_MM = 26.6

export function presetAmount(preset: UsePresetId, count = USE_PRESETS[preset].count): Amount {
  const { by, each, times = 1, hotFactor, rootM } = USE_PRESETS[preset]
  switch (by) {
    case 'people':
      return { by, people: count, litresPerPersonDay: each, months: [...ALL_YEAR] }
    case 'habit':
      return { by, people: count, timesPerPersonDay: times, litresEach: each, months: [...ALL_YEAR] }
    case 'heads':
      return { by, heads: count, litresPerHeadDay: each, ...(hotFactor ? { hotFactor } : {}), months: [...ALL_YEAR] }
    case 'day':
      return { by, litresPerDay: each * count, months: [...ALL_YEAR] }
    case 'bed':
      return {
        by,
        areaM2: count,
        cropCoefficient: each,
        irrigationEfficiency: 0.9,
        ...(rootM ? { rootM } : {}),
        months: [...ALL_YEAR],
      }
  }
}

/**
 * One more use at its own tap, drawn from a tank by gravity, or by a pump indoors and where the tap stands too high.
 */
export const addUse = defineMove({
  args: z.object({
    preset: z.enum(USE_PRESET_IDS),
    count: z.number().min(0).max(1e6).optional(),
    name: z.string().optional(),
    tank: z.string().optional(),
  }),
  label: ({ preset, name }) => `Add ${name ?? USE_PRESETS[preset].name}`,
  apply(site, { preset, count, name, tank: tankId }) {
    const tanks = tanksOf(site)
    const tank = tankId ? required(site, tankId, 'tank') : tanks.at(-1)
    const source = site.nodes.find(node => node.kind === 'main' || node.kind === 'well')
    if (!tank && !source) throw new Impossible('There is no tank, well or main to draw from yet; add one first.')
    const entry = USE_PRESETS[preset]
    const title = name ?? entry.name
    const tap: NodeOf<'tap'> = {
      kind: 'tap',
      id: freshId(site, 'tap'),
      baseM: entry.tapAboveGroundM,
      groundM: 0,
      fixture: entry.fixture ?? (entry.by === 'bed' ? 'drip' : 'tap'),
    }
    site.nodes.push(tap)
    const use: Use = {
      id: freshId(site, 'use'),
      name: title,
      at: tap.id,
      quality: entry.quality,
      priority: Math.min(99, site.uses.length + 1),
      amount: presetAmount(preset, count),
    }
    site.uses.push(use)
    if (tank) leadToTap(site, tank, tap, entry.pressurised ?? false)
    else straightLine(site, source as Source, tap)
    // A main is drinking water already; what a tank or a well gives is not.
    if (use.quality === 'drinking' && (tank ?? source)!.kind !== 'main') fitTreatment.apply(site, { tap: tap.id })
  },
})

/**
 * A tap takes its water where the others of its tank do: behind the pump where there is one, straight from the outlet
 * otherwise.
 */
function leadToTap(site: Site, tank: Tank, tap: NodeOf<'tap'>, pressurised: boolean): void {
  const outlet = portsByRole(tank, 'outlet')[0]
  if (!outlet) throw new Impossible(`${tank.name} has no outlet; give it one first.`)
  const to = { node: tap.id, port: 'in' }
  // A tank that stands high above its taps presses enough by itself.
  const pressesM = tank.baseM + outlet.heightM - tap.baseM
  const isTooHigh = tap.baseM > (tank.baseM + outlet.heightM + rimM(tank)) / 2
  const needsPump = (pressurised && pressesM < headOfPressureM(COMFORT_KPA)) || isTooHigh
  const behind = needsPump && behindPump(site, tank.id, outlet.name)
  if (behind) {
    const from = { node: behind.id, port: 'out' }
    addRun(site, from, to, [valve(SUPPLY_MM), pipe(guessedLengthM(site, from, to, 6), SUPPLY_MM)])
    return
  }
  const from = { node: tank.id, port: outlet.name }
  if (!needsPump) {
    addRun(site, from, to, [valve(SUPPLY_MM), pipe(guessedLengthM(site, from, to, 8), SUPPLY_MM)])
    return
  }
  const joint: NodeOf<'joint'> = {
    kind: 'joint',
    id: freshId(site, 'joint'),
    name: 'After the pump',
    baseM: tank.groundM + 0.6,
    groundM: tank.groundM,
  }
  site.nodes.push(joint)
  const pump = { kind: 'pump' as const, pump: 'on-demand' as const, flowLps: 0.3, headM: 25 }
  if (leavesHigh(tank, 'on-demand'))
    from.port = raiseHole(site, tank, outlet, 'on-demand', graphOf(site).outOf(tank.id, outlet.name).length > 0)
  addRun(site, from, { node: joint.id, port: 'in' }, [
    ...headOf(tank, 'on-demand', pump, SUPPLY_MM),
    pipe(2, SUPPLY_MM),
  ])
  const branch = { node: joint.id, port: 'out' }
  addRun(site, branch, to, [valve(SUPPLY_MM), pipe(guessedLengthM(site, branch, to, 6), SUPPLY_MM)])
}

/** Where lines branch behind the pump of an outlet: a joint, else the pressure tank that it fills. */
function behindPump(site: Site, tankId: string, port: string): SiteNode | undefined {
  const ways = [
    ...walk(site, tankId, { along: 'down', takes: ({ from }, before) => before.length > 0 || from.port === port }),
  ]
  const pumped = ways.filter(way => way.steps.some(({ run }) => isPumped(run))).map(way => way.node)
  return pumped.find(node => node.kind === 'joint') ?? pumped.find(node => node.kind === 'pressureTank')
}

/** What keeps drippers from clogging. */
export const STRAINER = { kind: 'screen', meshMm: 0.13, type: 'line' } as const

const DRIPPER = { count: 1, litresPerHour: 2 }
const DRIPPERS_PER_M2 = 4

/**
 * Waters a bed by the clock: drippers enough for its area, in as many zones as keep each within a flow, run as long
 * as the month that asks most needs.
 * Without `mostLph` the zones are as they were.
 */
export const fitDrip = defineMove({
  args: z.object({ use: z.string(), mostLph: z.number().positive().max(1e6).optional(), off: z.boolean().optional() }),
  label: ({ use, off }, site) =>
    `${off ? 'Take the drip off' : 'Drip'} ` +
    `${site.uses.find(candidate => candidate.id === use)?.name ?? 'the bed'}${off ? '' : ' by the clock'}`,
  apply(site, { use: id, mostLph, off }) {
    const use = site.uses.find(candidate => candidate.id === id)
    if (use?.amount.by !== 'bed') throw new Impossible('Only a bed or trees can be dripped.')
    const bed = use.amount
    const old = bed.drip
    delete bed.drip
    if (off) return
    const emitters = old?.emitters ?? [
      { id: freshId(site, `${id}-emitter`), ...DRIPPER, count: Math.max(1, Math.round(bed.areaM2 * DRIPPERS_PER_M2)) },
    ]
    const runsPerWeek = old?.runsPerWeek || 3.5
    const most = mostLph ?? old?.mostLph
    // What the bed needs without the clock, in the month that asks most.
    const neededLPerDay = Math.max(...litresPerDay(site, use))
    const { flowLph } = dripZone({ emitters, minutesPerRun: 60, runsPerWeek })
    const minutesPerRun = Math.min(1440, Math.max(1, Math.ceil(((neededLPerDay * 7) / runsPerWeek / flowLph) * 60)))
    bed.drip = {
      emitters,
      minutesPerRun,
      runsPerWeek,
      zones: most ? zonesWithin(emitters, most) : (old?.zones ?? 1),
      ...(most ? { mostLph: most } : {}),
    }
    for (const run of unstrained(site, use.at)) {
      const pipeAt = run.parts.findIndex(({ kind }) => kind === 'pipe')
      const at = pipeAt < 0 ? run.parts.length : pipeAt
      run.parts = named(site, run.id, [...run.parts.slice(0, at), STRAINER, ...run.parts.slice(at)])
    }
  },
})

/**
 * The steps of rationing that people keep by: below a third every other day, below a fifth nothing; for drinking and
 * animals none.
 */
export const ration = defineMove({
  args: z.object({
    use: z.string(),
    steps: z
      .array(
        z.object({ id: z.string().optional(), belowShare: z.number().min(0).max(1), share: z.number().min(0).max(1) }),
      )
      .max(6),
  }),
  label: ({ use, steps }, site) =>
    `${steps.length ? 'Ration' : 'No rationing for'} ` +
    `${site.uses.find(candidate => candidate.id === use)?.name ?? 'a use'}`,
  apply(site, { use: id, steps }) {
    const use = site.uses.find(candidate => candidate.id === id)
    if (!use) throw new Impossible('That use is no longer in this site.')
    if (!steps.length) return void delete use.rations
    const taken = idsOf(site)
    use.rations = [...steps]
      .sort((a, b) => b.belowShare - a.belowShare)
      .map(step => {
        const own = step.id ?? freeId(taken, `${use.id}-step`)
        taken.add(own)
        return { ...step, id: own }
      })
  },
})

/** What each way of counting multiplies by, where a use turns out to take more or less than was planned. */
const SCALED: { [By in Amount['by']]: (amount: Extract<Amount, { by: By }>, factor: number) => void } = {
  people: (amount, factor) => void (amount.litresPerPersonDay = toThousandth(amount.litresPerPersonDay * factor)),
  heads: (amount, factor) => void (amount.litresPerHeadDay = toThousandth(amount.litresPerHeadDay * factor)),
  day: (amount, factor) => void (amount.litresPerDay = toThousandth(amount.litresPerDay * factor)),
  habit: (amount, factor) => void (amount.litresEach = toThousandth(amount.litresEach * factor)),
  bed(amount, factor) {
    if (amount.drip) amount.drip.minutesPerRun = toThousandth(amount.drip.minutesPerRun * factor)
    // Beds that take more lose more on the way; those that take less are given less of what they need.
    else if (factor > 1) amount.irrigationEfficiency = Math.max(0.1, toThousandth(amount.irrigationEfficiency / factor))
    else amount.months = amount.months.map(share => toThousandth(share * factor))
  },
}

/** Makes every use, or one, so many times what it was: as a log has found it. */
export const scaleUses = defineMove({
  args: z.object({
    factor: z.number().positive('must be more than 0').max(20, 'must be at most 20'),
    use: z.string().optional(),
  }),
  label: ({ factor }) => `Uses ${factor} times what was planned`,
  apply(site, { factor, use: id }) {
    if (id !== undefined && !site.uses.some(use => use.id === id))
      throw new Impossible('That use is no longer in this site.')
    for (const { id: own, amount } of site.uses)
      if (id === undefined || own === id) (SCALED[amount.by] as (of: Amount, by: number) => void)(amount, factor)
  },
})
