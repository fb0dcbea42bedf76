import { NONE_COMES } from './causes'
import { sum } from 'd3-array'
import { bestFirst, defineCheck, passedBy, subjectOfUse, type Finding, type Mend } from './finding'
import { percent, say, volume } from '../words'
import { MONTH_NAMES } from '../units'
import { bedNeeds, dripPlan, dripInput, lineFrom, nameOf, type Site } from '../site'
import { moveOf } from '../moves'
import { weatherSeries } from '../climate'
import { isFilled, sizeCurve, type Pool } from '../balance'

export const zoneOverFlow = defineCheck({
  id: 'zone-over-flow',
  step: 'need',
  harms: 'season',
  needs: ['site'],
  sound: 'Every drip zone keeps within its flow',
  find: ({ site }) =>
    site.uses.flatMap((use): Finding[] => {
      const drip = use.amount.by === 'bed' ? use.amount.drip : undefined
      if (!drip?.mostLph) return []
      const { zoneLph } = dripPlan(drip)
      if (zoneLph <= drip.mostLph + 1e-9) return []
      return [
        {
          id: `zone-over-flow:${use.id}`,
          check: 'zone-over-flow',
          severity: passedBy(zoneLph, drip.mostLph),
          subject: subjectOfUse(use),
          sentence: say`A zone of ${use.name} asks more than its line can give: the far drippers stay dry.`,
          why: say`Each of ${drip.zones === 1 ? 'its one zone' : `its ${drip.zones} zones`} draws ${volume(zoneLph)}
            an hour; pump, timer and filter give ${volume(drip.mostLph)}.`,
          numbers: { zoneLph, mostLph: drip.mostLph, zones: drip.zones },
          sum: {
            name: 'drip-zone',
            input: { ...dripInput(drip) },
          },
          mend: { label: 'Split it into more zones', move: moveOf('fitDrip', { use: use.id, mostLph: drip.mostLph }) },
        },
      ]
    }),
})

/**
 * A larger tank is worth a finding while each so many litres buy a day a year, as on the size curve, or where so much
 * is wanting that it is drawn empty this often.
 */
const LITRES_THAT_SPARE_A_DAY = 1000
const FILLS_THAT_PAY = 4
/** Of less than this share of what is asked, or a litre a year, nobody buys a tank: a short day is less (SHORT_SHARE). */
const [WANTED_SHARE, WANTED_L] = [0.02, 1]

export const spillsMoreThanKeeps = defineCheck({
  id: 'spills-more-than-keeps',
  step: 'store',
  harms: 'loss',
  follows: ['dead-water', 'joins-nothing', 'rims-differ', 'overflow-siphons'],
  needs: ['site', 'compiled', 'days'],
  sound: 'The tanks keep more than they spill, or larger ones would spare no day',
  find: ({ site, compiled, days }) => {
    if (!compiled.pools.length || !site.uses.length || !compiled.caught.some(entry => entry.pool >= 0)) return []
    const run = days
    const years = run.days / 365.25
    const yearly = (values: Float64Array) => sum(values) / years
    const [spilledL, shortL] = [yearly(run.spilledL), yearly(run.shortL)]
    const keptL = yearly(run.caughtL) - yearly(run.flushedL) - spilledL
    if (spilledL <= keptL || shortL < Math.max(WANTED_L, WANTED_SHARE * yearly(run.askedL))) return []
    const pool = compiled.pools.reduce((most, each) => (each.capL > most.capL ? each : most))
    const tank = pool.tanks.at(-1)!
    const moreL = pool.capL / pool.tanks.length
    if (moreL < 1) return []
    const [now, then] = sizeCurve(compiled, compiled.pools.indexOf(pool), weatherSeries(site), [
      1,
      1 + 1 / pool.tanks.length,
    ])
    const sparedDays = now!.shortDays - then!.shortDays
    const sparedL = now!.shortL - then!.shortL
    if (sparedDays < moreL / LITRES_THAT_SPARE_A_DAY && sparedL < FILLS_THAT_PAY * moreL) return []
    return [
      {
        id: 'spills-more-than-keeps',
        check: 'spills-more-than-keeps',
        severity: 'look',
        subject: { kind: 'node', id: tank.id, name: pool.name },
        sentence: say`More runs over than is kept, and yet days are short: there is roof enough for more tank.`,
        why: say`A mean year spills ${volume(spilledL)} and keeps ${volume(keptL)}, while ${volume(shortL)} are
          wanting. Storage, not roof, is the limit here: ${volume(moreL)} more of it give ${volume(sparedL)} a year
          and spare ${Math.round(sparedDays * 10) / 10} short days.`,
        numbers: { spilledL, keptL, shortL, moreL, sparedDays, sparedL },
        mend: {
          label: `Join one more like ${tank.name}`,
          move: moveOf('addTank', { kind: tank.tankKind, how: 'joined', to: tank.id }),
        },
      },
    ]
  },
})

const NEVER_ABOVE = 0.9
const MOST_OFFERED = 3

/** Ways to fill a group that nothing fills: a spout led to it, another tank's spill, a main. */
function fillings(site: Site, pool: Pool): Mend[] {
  const tank = pool.tanks[0]!
  // A spout that leads there already, up a line that nothing climbs, is no way.
  const spouts = site.nodes
    .filter(node => node.kind === 'spout' && lineFrom(site, node.id).at(-1)?.to.node !== tank.id)
    .slice(0, MOST_OFFERED)
  return [
    ...spouts.map(({ id }) => ({
      label: `Lead ${nameOf(site, id)} to it`,
      move: moveOf('leadSpout', { spout: id, to: tank.id }),
    })),
    { label: 'Top it up from a main', move: moveOf('addSource', { kind: 'main', tank: tank.id }) },
  ]
}

/**
 * Tanks of a group made as large as what comes and goes in it, each in proportion; what lies below its draw-offs shrinks
 * with them.
 */
function smaller(pool: Pool, deadL: number, neededL: number): Pick<Finding, 'mend' | 'otherwise'> {
  const leastShare = (neededL - deadL) / (pool.capL - deadL)
  // Years ahead may bring more than those on record: a roomier one is tried where the least is short in them.
  return bestFirst(
    ...ROOM.map(room => Math.ceil(leastShare * room * 100) / 100)
      .filter(share => share < 1)
      .map(share => ({
        label: say`Make it hold ${volume(pool.capL * share)}`,
        move: moveOf('widenTanks', { tanks: pool.tanks.map(({ id }) => id), share }),
      })),
  )
}
const ROOM = [1, 1.1, 1.25]

export const neverFills = defineCheck({
  id: 'never-fills',
  step: 'store',
  harms: 'loss',
  follows: NONE_COMES,
  needs: ['site', 'compiled', 'days', 'outlook'],
  sound: 'Every tank fills at some time',
  find: ({ site, compiled, days, outlook }) => {
    if (!compiled.pools.length) return []
    const run = days
    return compiled.pools.flatMap((pool, index): Finding[] => {
      // A first tank before its first roof is only a beginning.
      if (!isFilled(compiled, index)) {
        return site.roofs.length || site.uses.length
          ? [
              {
                id: `never-fills:${pool.tanks[0]!.id}`,
                check: 'never-fills',
                severity: 'look',
                subject: { kind: 'node', id: pool.tanks[0]!.id, name: pool.name },
                sentence: say`Nothing fills ${pool.name}: no roof, no other tank, no well and no main leads to it.`,
                why: say`Its ${volume(pool.capL)} stay empty. Lead a spout, another tank’s spill or a float line to
                  it, or top it up.`,
                numbers: { capL: pool.capL },
                answers: fillings(site, pool),
              },
            ]
          : []
      }
      let mostL = 0
      for (let day = 0; day < run.days; day++) mostL = Math.max(mostL, run.poolL[day * run.pools + index]!)
      // What only a well, a main or another tank fills is filled as its rule has it.
      const roofed =
        compiled.caught.some(entry => entry.pool === index) && !compiled.topUps.some(line => line.pool === index)
      // A day ends after its uses are served, so a tank that was full that morning stands a day's draw below.
      const draws = compiled.demands.flatMap(({ id, sources }) =>
        sources
          .filter(source => source.kind === 'pool' && source.index === index)
          .map(({ keepL }) => ({ keepL, mostL: outlook.asks.find(each => each.id === id)!.mostL })),
      )
      const drawn = Math.max(0, ...draws.map(draw => draw.mostL))
      const deadL = draws.length ? Math.min(...draws.map(draw => draw.keepL)) : 0
      if (
        !roofed ||
        compiled.transfers.some(line => line.from === index) ||
        mostL + drawn >= NEVER_ABOVE * pool.capL ||
        pool.capL <= 0
      )
        return []
      return [
        {
          id: `never-fills:${pool.tanks[0]!.id}`,
          check: 'never-fills',
          severity: 'look',
          subject: { kind: 'node', id: pool.tanks[0]!.id, name: pool.name },
          sentence: say`${pool.name} never fills: the roof gives less than the uses take before it is full.`,
          why: say`In ${Math.round(run.days / 365.25)} years it stands at ${volume(mostL)} at most,
            ${percent(mostL / pool.capL)} of what it holds. A smaller one would do the same.`,
          numbers: { mostL, capL: pool.capL },
          ...smaller(pool, Math.min(deadL, mostL), mostL + drawn),
        },
      ]
    })
  },
})

export const dripShort = defineCheck({
  id: 'drip-short',
  step: 'need',
  harms: 'season',
  needs: ['site'],
  sound: 'Every drip gives its bed what it needs',
  find: ({ site }) =>
    site.uses.flatMap((use): Finding[] => {
      const bed = use.amount.by === 'bed' ? use.amount : undefined
      if (!bed?.drip) return []
      const needs = bedNeeds(site, bed)
      const givesL = dripPlan(bed.drip).litresPerDay
      const worst = needs.indexOf(Math.max(...needs))
      if (givesL >= needs[worst]! * 0.9) return []
      return [
        {
          id: `drip-short:${use.id}`,
          check: 'drip-short',
          severity: 'look',
          subject: subjectOfUse(use),
          sentence: say`The drip of ${use.name} gives less than the bed needs in its driest month.`,
          why: say`It gives ${volume(givesL)} a day; the bed asks ${volume(needs[worst]!)} in ${MONTH_NAMES[worst]!}.`,
          numbers: { givesL, needsL: needs[worst]! },
          mend: { label: 'Run it longer', move: moveOf('fitDrip', { use: use.id }) },
        },
      ]
    }),
})
