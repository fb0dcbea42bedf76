import { sum } from 'd3-array'
import { expect, it } from 'vitest'
import { dayOfDraws, play, SCRIPT_IDS, SCRIPTS, scriptOf, type ScriptRow } from '.'
import { compile, simulate } from '../balance'
import { tankVolume } from '../sums'
import { litresPerDay } from '../site'
import { demoSite } from '../../tests/demoSites'

const NAMES = ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const

it('a usual day is drawn in single draws that sum to what the uses ask for, alike from the same seed', () => {
  for (const name of NAMES) {
    const site = demoSite(name)
    for (const month of [2, 7]) {
      const draws = dayOfDraws(site, { month, seed: 5 })
      const askedL = sum(site.uses, use => litresPerDay(site, use)[month - 1]!)
      expect(sum(draws, step => ('litres' in step ? step.litres : 0))).toBeCloseTo(askedL, 6)
      for (const { atS } of draws) expect(atS >= 0 && atS < 86400).toBe(true)
      expect(dayOfDraws(site, { month, seed: 5 })).toEqual(draws)
      expect(dayOfDraws(site, { month, seed: 6 })).not.toEqual(draws)
    }
  }
})
it('of a usual day on half-full tanks, what the taps gave is what was asked for, and that is what the tanks lost', () => {
  const site = demoSite('quillfern-ridge')
  const { events, litres } = play(site, {
    seconds: 90000,
    start: { levels: { 'tank-1': 1.2, 'tank-2': 1.2, 'tank-3': 0.9 } },
    script: dayOfDraws(site, { month: 7, seed: 3 }),
  })
  const askedL = sum(site.uses, use => litresPerDay(site, use)[6]!)
  expect(events.filter(({ what }) => what === 'draw-given-up')).toEqual([])
  // The daily balance takes just what is asked; the plant, draw by draw, comes to the same within a fiftieth.
  expect(Math.abs(litres.out - askedL) / askedL).toBeLessThan(0.02)
  expect(litres.in - litres.out - litres.spilled).toBeCloseTo(litres.stored, 3)
})
it('every script plays on each demo site or says why not, and what it says happens in it does', () => {
  for (const name of NAMES) {
    const site = demoSite(name)
    for (const id of SCRIPT_IDS) {
      const row: ScriptRow = SCRIPTS[id]
      const why = row.wants?.(site)
      if (why) {
        expect(why).toMatch(/^There is no|^It does not/)
        continue
      }
      const { seconds, start, steps } = scriptOf(site, id)
      const { litres, trouble } = play(site, { seconds: Math.min(seconds, 86400), start, script: steps, everyS: 21600 })
      expect(trouble, `${name} ${id}`).toBeUndefined()
      expect(Math.abs(litres.error)).toBeLessThan(1e-6 * (litres.in + litres.out + litres.spilled + 1000))
    }
  }
})
it('a wet day of the plant brings the tanks what the daily balance says, within a fiftieth', () => {
  for (const [name, pool, tanks] of [
    ['quillfern-ridge', 'tank-1', ['tank-1', 'tank-2']],
    ['cinder-tor', 'tank-1', ['tank-1']],
  ] as const) {
    const whole = demoSite(name)
    // Nobody draws, no well tops up, no pump lifts: rain alone.
    const site = { ...whole, uses: [], runs: whole.runs.filter(run => !run.parts.some(({ kind }) => kind === 'pump')) }
    const [rainMm, hours] = [9, 6]
    const levels = Object.fromEntries(tanks.map(id => [id, 0.5]))
    const compiled = compile(site)
    const at = compiled.pools.findIndex(({ id }) => id === pool)
    const startL = compiled.pools.map(each =>
      each.tanks.reduce((sum, tank) => sum + tankVolume({ ...tank.shape, levelM: 0.5 }).volumeL, 0),
    )
    const series = { startDay: 152, rainMm: Float64Array.of(rainMm), month: Uint8Array.of(5), years: [], made: false }
    const { poolL, pools } = simulate(compiled, { ...series, years: [{ year: 1970, from: 0, to: 1 }] }, { startL })
    const { levels: course } = play(site, {
      seconds: 86400,
      start: { levels, month: 6 },
      script: [
        { atS: 0, rainMmPerH: rainMm / hours },
        { atS: hours * 3600, rainMmPerH: 0 },
      ],
      everyS: 86400,
    })
    const heldL = tanks.reduce((sum, id) => {
      const tank = site.nodes.find(node => node.id === id)
      return sum + (tank?.kind === 'tank' ? tankVolume({ ...tank.shape, levelM: course[id]!.at(-1)! }).volumeL : 0)
    }, 0)
    const [gains, says] = [heldL - startL[at]!, poolL[at]! - startL[at]!]
    expect(pools).toBe(compiled.pools.length)
    expect(says).toBeGreaterThan(100)
    expect(Math.abs(gains - says) / says, `${name}: ${gains} and ${says}`).toBeLessThan(0.02)
  }
})
