import {
  boreMm,
  busiestDayL,
  cyclingOf,
  dailyWh,
  drawnBy,
  drawsPerDay,
  dutyOf,
  momentWith,
  pipeLengthM,
  type Cycling,
} from '../network'
import { applyMove, moveOf } from '../moves'
import { feedsOf, type Feed, type Run, type Site } from '../site'
import {
  guessedPumpPrice,
  LIFT_IDS,
  liftRow,
  pipePricePerM,
  pipeSeries,
  PRESSURE_TANKS_L,
  usualSeries,
  vesselPrice,
  type HoldId,
  type LiftId,
  type PipeSeriesId,
} from '../catalog'

/** One way of lifting a feed's water, beside others. */
export interface LiftCompared {
  by: LiftId
  hold: HoldId
  now: boolean
  /** Where its pump runs with all of its taps open; none by gravity, or where it moves no water. */
  flowLps: number
  headM: number
  weakestKPa: number
  weakest: string
  startsPerDay: number
  whPerDay: number
  price: number
}

const taken = (feed: Feed) => feed.trunk[0]!.id

/** Every way in which a feed's water can be lifted, with what its taps then have, and what it costs to run and to buy. */
export function liftsCompared(site: Site, feed: Feed): LiftCompared[] {
  const ways = LIFT_IDS.filter(by => liftRow(by).name[feed.source.kind]).flatMap((by): [LiftId, HoldId][] => [
    [by, 'straight'],
    ...(by === 'jet' || by === 'submersible' ? [[by, 'pressure-tank'] as [LiftId, HoldId]] : []),
  ])
  return ways.flatMap(([by, hold]): LiftCompared[] => {
    const now = feed.lift === by && feed.hold === hold
    const made = now ? { ok: true as const, site } : applyMove(site, moveOf('liftBy', { run: taken(feed), by, hold }))
    const other = made.ok ? feedsOf(made.site).find(each => taken(each) === taken(feed)) : undefined
    if (!made.ok || !other) return []
    return [{ by, hold, now, ...figuresOf(made.site, other) }]
  })
}

function figuresOf(site: Site, feed: Feed): Omit<LiftCompared, 'by' | 'hold' | 'now'> {
  const open = feed.taps.map(({ id }) => id)
  const moment = momentWith(site, open, 'low')
  const weakest = open.toSorted((a, b) => moment.taps[a]!.pressureKPa - moment.taps[b]!.pressureKPa)[0]!
  const dayL = busiestDayL(site, feed)
  const duty = feed.pump && dutyOf(site, { run: feed.trunk[0]!, pump: feed.pump }, open, 'low')
  const drawn = duty && feed.pump && drawnBy(site, feed.pump, duty.at)
  const cycling = cyclingOf(site, feed)
  return {
    flowLps: duty?.at.flowLps ?? 0,
    headM: duty?.at.headM ?? 0,
    weakestKPa: Math.max(0, moment.taps[weakest]!.pressureKPa),
    weakest,
    startsPerDay: feed.pump ? (cycling?.startsPerDay ?? drawsPerDay(site, feed)) : 0,
    whPerDay: drawn ? dailyWh(drawn, dayL) : 0,
    price:
      (feed.pump ? (feed.pump.price ?? guessedPumpPrice(feed.pump.pump, drawn?.inputW ?? 0)) : 0) +
      (feed.vessel ? (feed.vessel.price ?? vesselPrice(feed.vessel.volumeL)) : 0),
  }
}

/** Sizes of pressure tank side by side; the feed's own among them. */
export function vesselSizes(site: Site, feed: Feed): (Cycling & { volumeL: number; price: number })[] {
  const sizes = [...new Set([...PRESSURE_TANKS_L, ...(feed.vessel ? [feed.vessel.volumeL] : [])])]
  return sizes
    .sort((a, b) => a - b)
    .flatMap(volumeL => {
      const cycling = cyclingOf(site, feed, volumeL)
      return cycling ? [{ ...cycling, volumeL, price: vesselPrice(volumeL) }] : []
    })
}

/** One size in which a line can be laid, with what its tap then has. */
export interface BoreChoice {
  size: string
  series: PipeSeriesId
  innerMm: number
  fullLps: number
  lowLps: number
  velocityMps: number
  price: number
  now: boolean
}

/** The series that a line is laid in: as its pipe says, else what is usual here. */
export function seriesLaid(site: Site, run: Run): PipeSeriesId {
  const pipe = run.parts.find(part => part.kind === 'pipe')
  return pipe?.series ?? usualSeries(site.standards.pipes)
}

/** A line laid in each size of its series: what a tap behind it passes, and what the pipe costs. */
export function boreChoices(site: Site, run: Run, tapId: string): BoreChoice[] {
  const series = seriesLaid(site, run)
  const lengthM = pipeLengthM(run)
  return pipeSeries(series).sizes.flatMap(({ size, innerMm }): BoreChoice[] => {
    const made = applyMove(site, moveOf('layPipe', { run: run.id, series, size }))
    if (!made.ok) return []
    const [full, low] = [momentWith(made.site, [tapId], 'full'), momentWith(made.site, [tapId], 'low')]
    return [
      {
        size,
        series,
        innerMm,
        fullLps: full.taps[tapId]!.flowLps,
        lowLps: low.taps[tapId]!.flowLps,
        velocityMps: full.runs[run.id]!.velocityMps,
        price: lengthM * pipePricePerM(series, innerMm),
        now: Math.abs(boreMm(run) - innerMm) < 0.3,
      },
    ]
  })
}
