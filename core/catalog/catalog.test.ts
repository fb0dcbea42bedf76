import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NEVER, NO_SENTENCE } from '../../tests/plainRules'
import {
  ADAPTERS,
  CLIMATE_IDS,
  CLIMATES,
  DIAPHRAGM,
  DOWNPIPE_BORES_MM,
  END_FAMILY_IDS,
  endFamily,
  endSize,
  endWords,
  FITTING_K,
  FIXTURE_IDS,
  FIXTURES,
  FLUSH_SCHOOLS,
  guessedPumpPrice,
  GUTTER_PROFILES,
  GUTTER_SIZES,
  joinOf,
  LINE_BORES_MM,
  mates,
  PIPE_SERIES_IDS,
  pipePricePerM,
  pipeSeries,
  PUMP_IDS,
  PUMPS,
  ROOFING,
  ROOFING_IDS,
  SECTION_SHARE,
  SEXES,
  sizeName,
  sizeOfPipe,
  TEE_STRAY,
  TREATMENT_LOSS,
  usualSeries,
  usualSpreadShare,
  usualSwitch,
  type End,
  type EndFamilyId,
} from './index'

const rising = (values: readonly number[]) => values.every((value, at) => !at || value > values[at - 1]!)
const DAYS = [31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

describe('pipes', () => {
  it.each(PIPE_SERIES_IDS)('%s: wider sizes are wider inside, cost more, and each is found by its bore', id => {
    const { sizes, roughnessMm } = pipeSeries(id)
    expect(rising(sizes.map(({ innerMm }) => innerMm))).toBe(true)
    expect(rising(sizes.map(({ innerMm }) => pipePricePerM(id, innerMm)))).toBe(true)
    expect(roughnessMm > 0 && roughnessMm < 1).toBe(true)
    for (const size of sizes) {
      expect(sizeOfPipe(id, size.innerMm + 0.2)).toBe(size)
      expect(sizeOfPipe(id, size.innerMm + 0.4)).toBeUndefined()
    }
  })
  it('measure inside what their standards say', () => {
    const inner = (id: (typeof PIPE_SERIES_IDS)[number], size: string) =>
      pipeSeries(id).sizes.find(each => each.size === size)!.innerMm
    // ASTM D1785: 1.315 in outside, less twice 0.133 in (schedule 40) or 0.179 in (schedule 80).
    expect(inner('plastic-40', '1 in')).toBeCloseTo((1.315 - 2 * 0.133) * 25.4, 1)
    expect(inner('plastic-80', '1 in')).toBeCloseTo((1.315 - 2 * 0.179) * 25.4, 1)
    // EN 12201, SDR 11: the wall is an eleventh of what it measures outside, rounded up to a tenth.
    for (const { size, innerMm } of pipeSeries('pe-100').sizes) {
      const wallMm = (Number(size) - innerMm) / 2
      expect(wallMm).toBeGreaterThanOrEqual(Number(size) / 11 - 0.02)
      expect(wallMm).toBeLessThan(Number(size) / 11 + 0.2)
    }
    // EN 1057 is sold by what it measures outside; its walls as they are drawn.
    const wallsMm = { 15: 0.7, 18: 0.8, 22: 0.9, 28: 0.9, 35: 1.2, 42: 1.2, 54: 1.2 }
    for (const [size, wallMm] of Object.entries(wallsMm))
      expect(inner('copper', size)).toBeCloseTo(Number(size) - 2 * wallMm, 6)
  })
  it('of a thicker wall are narrower inside, size by size', () => {
    for (const { size, innerMm } of pipeSeries('plastic-80').sizes) {
      const thin = pipeSeries('plastic-40').sizes.find(each => each.size === size)!
      expect(innerMm).toBeLessThan(thin.innerMm)
    }
  })
  it('are called as they are where they are read', () => {
    expect(['1/2 in', '1 1/4 in', '4 in', '32'].map(size => sizeName(size, 'metric'))).toEqual([
      'DN 15',
      'DN 32',
      'DN 100',
      '32',
    ])
    expect([sizeName('1 in', 'us'), sizeName('1 in', 'imperial')]).toEqual(['1 in', '1 in'])
    expect([usualSeries('inch'), usualSeries('metric')].map(id => pipeSeries(id).standard)).toEqual(['inch', 'metric'])
  })
})

describe('ends', () => {
  const ends: End[] = END_FAMILY_IDS.flatMap(family =>
    endFamily(family).sizes.flatMap(({ size }) => SEXES.map(sex => ({ family, size, sex }))),
  )
  const end = fc.constantFrom(...ends)
  it.each(END_FAMILY_IDS)('%s: its sizes widen, each by its name, with threads that can be cut', family => {
    const { sizes } = endFamily(family)
    expect(new Set(sizes.map(({ size }) => size)).size).toBe(sizes.length)
    expect(rising(sizes.map(({ outerMm }) => outerMm))).toBe(true)
    for (const { outerMm, pitchMm, turns } of sizes) {
      expect(outerMm).toBeGreaterThan(5)
      if (pitchMm !== undefined) expect(pitchMm > 0.8 && pitchMm < 13).toBe(true)
      if (turns) expect(turns[0] >= 1 && turns[1] > turns[0]).toBe(true)
    }
  })
  it('of pipe threads have the threads an inch that ASME B1.20.1 and ISO 228 give them', () => {
    const perInch = (family: EndFamilyId, size: string) => 25.4 / endSize({ family, size })!.pitchMm!
    expect(['1/2', '3/4', '1', '2'].map(size => perInch('tapered', size))).toEqual([
      expect.closeTo(14, 6),
      expect.closeTo(14, 6),
      expect.closeTo(11.5, 6),
      expect.closeTo(11.5, 6),
    ])
    expect(['1/2', '3/4', '1', '2'].map(size => perInch('parallel', size))).toEqual([
      expect.closeTo(14, 6),
      expect.closeTo(14, 6),
      expect.closeTo(11, 6),
      expect.closeTo(11, 6),
    ])
  })
  it('mate both ways or not at all, never with their own sex, always with their other half', () => {
    fc.assert(
      fc.property(end, end, (one, other) => {
        expect(mates(one, other)).toBe(mates(other, one))
        if (one.sex === other.sex) expect(mates(one, other)).toBe(false)
        if (one.family !== 'sleeve' && other.family !== 'sleeve' && mates(one, other))
          expect([one.family, one.size]).toEqual([other.family, other.size])
      }),
    )
    for (const each of ends) expect(mates(each, { ...each, sex: each.sex === 'male' ? 'female' : 'male' })).toBe(true)
  })
  it('look alike and differ: a tapered thread does not go onto a parallel one', () => {
    expect(mates({ family: 'tapered', size: '1', sex: 'male' }, { family: 'parallel', size: '1', sex: 'female' })).toBe(
      false,
    )
  })
  it('are told in words that hold, and a sleeve is clamped whatever it is on', () => {
    for (const each of ends) for (const rule of [...NEVER, NO_SENTENCE]) expect(endWords(each)).not.toMatch(rule)
    expect(joinOf({ family: 'sleeve', size: '60', sex: 'female' }, { family: 'copper', size: '54', sex: 'male' })).toBe(
      'clamped',
    )
    expect(joinOf(ends[0]!, ends[0]!)).toBe(endFamily(ends[0]!.family).join)
  })
})

describe('adapters', () => {
  it('each have an id of their own, two ends that there are, a price, and a place on the shelf', () => {
    expect(new Set(ADAPTERS.map(({ id }) => id)).size).toBe(ADAPTERS.length)
    for (const { name, a, b, price, found } of ADAPTERS) {
      expect([endSize(a), endSize(b)], name).not.toContain(undefined)
      expect(price, name).toBeGreaterThan(0)
      expect(found >= 1 && found <= 5, name).toBe(true)
      for (const rule of [...NEVER, NO_SENTENCE]) expect(name).not.toMatch(rule)
    }
  })
  it('cost more the wider they are, kind by kind', () => {
    const kinds = new Map<string, { widestMm: number; price: number }[]>()
    for (const { id, a, b, price } of ADAPTERS) {
      const kind = id.replaceAll(/\d[\d-]*/g, '#')
      const widestMm = Math.max(endSize(a)!.outerMm, endSize(b)!.outerMm)
      kinds.set(kind, [...(kinds.get(kind) ?? []), { widestMm, price }])
    }
    for (const [kind, all] of kinds) {
      const byWidth = all.toSorted((one, other) => one.widestMm - other.widestMm)
      byWidth.forEach(({ price }, at) =>
        expect(price, kind).toBeGreaterThanOrEqual(byWidth[Math.max(0, at - 1)]!.price),
      )
    }
  })
})

describe('climates that stand in', () => {
  it.each(CLIMATE_IDS)('%s: twelve months that a place on earth may have', id => {
    const { rainMm, wetDays, tMinC, tMaxC, annualSpreadShare, latitudeDeg, stormMmPerH } = CLIMATES[id]
    for (const row of [rainMm, wetDays, tMinC, tMaxC]) expect(row).toHaveLength(12)
    for (let month = 0; month < 12; month++) {
      expect(tMinC[month]!).toBeLessThan(tMaxC[month]!)
      expect(wetDays[month]!).toBeLessThan(DAYS[month]!)
      // A wet day brings a few millimetres, and no month’s mean day is a flood.
      const perWetDayMm = rainMm[month]! / Math.max(0.1, wetDays[month]!)
      expect(perWetDayMm >= 0 && perWetDayMm < 40, `${id}, month ${month + 1}`).toBe(true)
    }
    expect(annualSpreadShare > 0.05 && annualSpreadShare < 0.6).toBe(true)
    expect(stormMmPerH > 20 && stormMmPerH < 300).toBe(true)
    const summer = latitudeDeg >= 0 ? 6 : 0
    if (Math.abs(latitudeDeg) > 25) expect(tMaxC[summer]!).toBeGreaterThan(tMaxC[(summer + 6) % 12]!)
  })
  it('by rule are the less alike from year to year the drier they are, between 12 % and 35 %', () => {
    expect([usualSpreadShare(2000), usualSpreadShare(900), usualSpreadShare(250), usualSpreadShare(0)]).toEqual([
      0.12,
      0.12,
      expect.closeTo(0.35, 9),
      expect.closeTo(0.35, 9),
    ])
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 4000, noNaN: true }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        (mm, more) => usualSpreadShare(mm + more) <= usualSpreadShare(mm) + 1e-12,
      ),
    )
  })
})

describe('roofs and gutters', () => {
  it('let less through the rougher they are, and never more than falls', () => {
    for (const id of ROOFING_IDS) {
      const { runoffCoefficient, wettingLossMm, unfitFor, caution } = ROOFING[id]
      expect(runoffCoefficient > 0 && runoffCoefficient <= 1, id).toBe(true)
      expect(wettingLossMm >= 0 && wettingLossMm < 30, id).toBe(true)
      // Whoever is warned of a roof is told why.
      expect(Boolean(unfitFor) <= Boolean(caution), id).toBe(true)
    }
    expect(ROOFING.steel.runoffCoefficient).toBeGreaterThan(ROOFING['wood-shake'].runoffCoefficient)
  })
  it('come smallest first, and no profile holds more than a box of its width and depth', () => {
    for (const profile of GUTTER_PROFILES) {
      expect(SECTION_SHARE[profile] > 0 && SECTION_SHARE[profile] <= 1).toBe(true)
      const sizes = GUTTER_SIZES.filter(size => size.profile === profile)
      expect(rising(sizes.map(({ widthMm, depthMm }) => widthMm * depthMm))).toBe(true)
    }
    expect(SECTION_SHARE['half-round']).toBeCloseTo(Math.PI / 4, 2)
    expect([rising(DOWNPIPE_BORES_MM), rising(LINE_BORES_MM)]).toEqual([true, true])
  })
  it('keep back more the heavier the school of first flush', () => {
    expect([FLUSH_SCHOOLS.light, FLUSH_SCHOOLS.middle, FLUSH_SCHOOLS.heavy].map(({ depthMm }) => depthMm)).toEqual([
      0.4, 0.8, 2,
    ])
    // A swept tee stirs less, and costs less head, than a straight one.
    expect(TEE_STRAY.swept).toBeLessThan(TEE_STRAY.straight)
    expect(FITTING_K.sweptTee.turn).toBeLessThan(FITTING_K.straightTee.turn)
  })
})

describe('what water is drawn from and lifted by', () => {
  it('passes what the table of methods says, at its pressure', () => {
    const rated = Object.fromEntries(FIXTURE_IDS.map(id => [id, [FIXTURES[id].ratedLps, FIXTURES[id].ratedKPa]]))
    expect(rated).toMatchObject({
      kitchen: [0.15, 50],
      basin: [0.1, 50],
      shower: [0.15, 100],
      cistern: [0.1, 30],
      'washing-machine': [0.15, 100],
      hose: [0.3, 100],
      trough: [0.2, 20],
      hydrant: [4, 100],
    })
    for (const id of FIXTURE_IDS) {
      expect(FIXTURES[id].indoors || FIXTURES[id].outside, id).toBe(true)
      expect(FIXTURES[id].drawL, id).toBeGreaterThan(0)
    }
  })
  it('lifts as its kind does', () => {
    const shutOff = Object.fromEntries(PUMP_IDS.map(id => [id, PUMPS[id].shutOff]))
    expect(shutOff).toEqual({
      'on-demand': undefined,
      jet: 1.25,
      submersible: 1.25,
      'variable-speed': 1.25,
      solar: 2,
    })
    expect(DIAPHRAGM).toEqual({ openFlow: 1.3, stallFlow: 0.5, stallHead: 1.3 })
    for (const id of PUMP_IDS) {
      const { efficiency, npshRequiredM, surge, startsPerHour } = PUMPS[id]
      expect(efficiency > 0.1 && efficiency < 0.8, id).toBe(true)
      expect(npshRequiredM > 0 && npshRequiredM < 9, id).toBe(true)
      expect(surge > 1 && startsPerHour >= 10, id).toBe(true)
      expect(guessedPumpPrice(id, 300)).toBe(PUMPS[id].price)
      expect(guessedPumpPrice(id, 1200)).toBeGreaterThan(guessedPumpPrice(id, 300))
      expect(guessedPumpPrice(id, 1200)).toBeLessThan(4 * guessedPumpPrice(id, 300))
    }
  })
  it('is switched by a pressure switch where a pressure tank holds it, else by its own feel, else by hand', () => {
    expect(PUMP_IDS.map(id => usualSwitch(id, true))).toEqual(PUMP_IDS.map(() => 'pressure-switch'))
    expect([usualSwitch('on-demand', false), usualSwitch('variable-speed', false)]).toEqual([
      'flow-switch',
      'flow-switch',
    ])
    expect([usualSwitch('jet', false), usualSwitch('submersible', false)]).toEqual(['hand', 'hand'])
  })
  it('loses more through a dirty cartridge than a clean one', () => {
    for (const { lossKPaAtRated, dirtyKPaAtRated } of [TREATMENT_LOSS.sediment, TREATMENT_LOSS.carbon])
      expect(dirtyKPaAtRated).toBeGreaterThan(2 * lossKPaAtRated)
  })
})
