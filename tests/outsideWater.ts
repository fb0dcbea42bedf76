import fc from 'fast-check'
import { NEVER_FAILS, type Compiled } from '../core/balance/compiled'

/** Adds wells, mains and rules of every kind to a compiled site, since moves do not build them yet. */
export const outsideWater = fc.record({
  yieldLPerDay: fc.double({ min: 0, max: 600, noNaN: true }),
  startShare: fc.double({ min: 0, max: 0.6, noNaN: true }),
  stopShare: fc.double({ min: 0.3, max: 1, noNaN: true }),
  wellMonths: fc.integer({ min: 0, max: 4095 }),
  mainMonths: fc.integer({ min: 0, max: 4095 }),
  topUpByMain: fc.boolean(),
  firstUseFromWell: fc.boolean(),
  mostL: fc.oneof(fc.constant(Infinity), fc.double({ min: 0, max: 400, noNaN: true })),
  loadL: fc.double({ min: 0, max: 5000, noNaN: true }),
  mainMostL: fc.oneof(fc.constant(Infinity), fc.double({ min: 0, max: 500, noNaN: true })),
  rations: fc.array(
    fc.record({
      belowShare: fc.double({ min: 0, max: 1, noNaN: true }),
      share: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    { maxLength: 3 },
  ),
  handEmptied: fc.integer({ min: 0, max: 9 }),
  captureShare: fc.double({ min: 0.5, max: 1, noNaN: true }),
  cutsPerYear: fc.integer({ min: 0, max: 300 }),
  rota: fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 })),
  mainShare: fc.double({ min: 0.1, max: 1, noNaN: true }),
  drainedMonths: fc.oneof(fc.constant(0), fc.integer({ min: 0, max: 4095 })),
  burstMmPerH: fc.double({ min: 1, max: 400, noNaN: true }),
  /** What a well's way, a main's and a tap's bring in a day of each month, L. */
  waysL: fc.array(fc.array(fc.double({ min: 0, max: 400, noNaN: true }), { minLength: 12, maxLength: 12 }), {
    minLength: 3,
    maxLength: 3,
  }),
})

/** What hangs on what: the main on itself; the well on its pump's power; lines between tanks on the power and the main. */
const [MAIN, WELL, POWER] = [0, 1, 2]
export const HANGS_ON = [[0], [1], [0, 1]]

export function withOutsideWater(
  site: Compiled,
  water: typeof outsideWater extends fc.Arbitrary<infer Value> ? Value : never,
): Compiled {
  const [wellWay, mainWay, tapWay] = [0, 1, 2].map(way => site.limits.length + way) as [number, number, number]
  const demands = site.demands.map((demand, index) =>
    index === 0 && water.firstUseFromWell
      ? {
          ...demand,
          sources: [
            ...demand.sources.map(source => ({ ...source, limits: [...source.limits, tapWay] })),
            {
              kind: 'well' as const,
              index: 0,
              keepL: 0,
              months: water.wellMonths,
              on: WELL,
              mostShare: 1,
              limits: [wellWay, tapWay],
            },
            {
              kind: 'main' as const,
              index: 0,
              keepL: 0,
              months: water.mainMonths,
              on: MAIN,
              mostShare: water.mainShare,
              limits: [mainWay],
            },
          ],
        }
      : demand,
  )
  const capL = site.pools[0]!.capL
  const rule = {
    pool: 0,
    index: 0,
    mostL: water.mostL,
    startL: capL * water.startShare,
    stopL: capL * Math.max(water.startShare, water.stopShare),
  }
  return {
    ...site,
    demands: demands.map((demand, index) =>
      index === demands.length - 1
        ? {
            ...demand,
            rations: water.rations.map(({ belowShare, share }) => ({ pool: 0, belowL: capL * belowShare, share })),
          }
        : demand,
    ),
    caught: site.caught.map(entry => ({ ...entry, captureShare: water.captureShare })),
    wells: [{ id: 'well', name: 'Well', yieldLPerDay: water.yieldLPerDay, on: WELL }],
    mains: [{ id: 'main', name: 'Main', mostLPerDay: water.mainMostL, on: MAIN }],
    limits: [
      ...site.limits.map(limit => ({ ...limit, on: POWER })),
      ...water.waysL.map(mostL => ({ mostL, on: NEVER_FAILS })),
    ],
    outages: [
      { id: 'main', kind: 'main', name: 'Main', rule: { by: 'rota', daysOn: water.rota[0], daysOff: water.rota[1] } },
      {
        id: 'power',
        kind: 'power',
        name: 'Power',
        rule: { by: 'chance', timesPerYear: water.cutsPerYear, meanHours: 9 },
      },
    ],
    hangsOn: HANGS_ON,
    drainedMonths: site.pools.map(() => water.drainedMonths),
    chambers: site.chambers.map(chamber => ({
      ...chamber,
      emptiedEveryDays: water.handEmptied,
      drainHours: water.handEmptied % 2 ? Infinity : chamber.drainHours,
    })),
    topUps: [
      { ...rule, kind: 'well', months: water.wellMonths, on: WELL, limits: [wellWay] },
      ...(water.topUpByMain
        ? [{ ...rule, kind: 'main' as const, months: water.mainMonths, on: MAIN, limits: [mainWay] }]
        : []),
      { ...rule, kind: 'cart' as const, mostL: water.loadL, stopL: capL, months: 4095, on: NEVER_FAILS, limits: [] },
    ],
  }
}
