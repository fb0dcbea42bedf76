import { describe, expect, it } from 'vitest'
import { pressuresOf, readGas, readSwitch, type Meaning } from './cards'
import { blank, build, plainTank } from '../../tests/sites'
import { phraseText } from '../words'
import { moveOf, setField } from '../moves'
import { fillingsOf, nodeById } from '../site'
import type { NodeOf } from '../kinds'

const words = (meanings: Meaning[]) => meanings.map(({ words }) => phraseText(words, 'metric')).join(' ')
const bad = (meanings: Meaning[]) => meanings.filter(({ good }) => !good).length

describe('a switch', () => {
  const reckoned = { runningKPa: 180, shutOffKPa: 300 }
  it('that is set as it should be has nothing against it', () => {
    const good = { sun: 'full' as const, runningKPa: 185, tripsKPa: 210, stopsAfterS: 4, fallsKPaPerH: 0 }
    expect(bad(readSwitch(good, reckoned))).toBe(0)
  })
  it.each([
    [{ runningKPa: 260 }, /chokes the line, often the float valve/],
    [{ runningKPa: 100 }, /worn pump, air/],
    [{ tripsKPa: 180 }, /stops at work/],
    [{ tripsKPa: 280 }, /works long against it/],
    [{ tripsKPa: 320 }, /never stops/],
    [{ fallsKPaPerH: 20 }, /a leak, or a check valve that passes/],
    [{ stopsAfterS: 90 }, /against a shut float/],
    [{ sun: 'weak' as const }, /weak sun/],
  ])('%o is told for what it means', (readings, meaning) => {
    const found = readSwitch(readings, reckoned)
    expect(bad(found)).toBe(1)
    expect(words(found)).toMatch(meaning)
  })
  it('of a pump that fills a hill tank is reckoned from the height it lifts to', () => {
    const site = build(
      plainTank(plainTank(blank(), 'Yard'), 'Hill'),
      moveOf('setHeight', { node: 'tank-2', baseM: 12 }),
      moveOf('liftUp', { from: 'tank-1', tank: 'tank-2', by: 'jet', line: 'over' }),
    )
    const [filling] = fillingsOf(site)
    const { runningKPa, shutOffKPa } = pressuresOf(site, { run: filling!.runs[0]!, pump: filling!.pump }, [])!
    // At least the 12.85 m up to its float, and no more than the pump's shut-off.
    expect(runningKPa).toBeGreaterThan(12 * 9.8)
    expect(runningKPa).toBeLessThan(shutOffKPa)
    expect(shutOffKPa).toBeLessThan(filling!.pump.headM * 1.25 * 9.81)
  })
})

describe('the gas of a pressure tank', () => {
  const vessel = (emptyKPa?: number, drawnL?: number) => {
    const held = build(
      plainTank(blank(), 'Tank'),
      moveOf('addUse', { preset: 'kitchen' }),
      site => build(site, moveOf('liftBy', { run: site.runs.at(-2)!.id, by: 'jet', hold: 'pressure-tank' })),
      setField('node', 'pressure-tank-1', 'volumeL', 300),
      setField('node', 'pressure-tank-1', 'cutOutKPa', 414),
      setField('node', 'pressure-tank-1', 'cutInKPa', 276),
      setField('node', 'pressure-tank-1', 'prechargeKPa', 262),
      setField('node', 'pressure-tank-1', 'gasReadings', { emptyKPa, drawnL }),
    )
    return nodeById(held, 'pressure-tank-1') as NodeOf<'pressureTank'>
  }
  it('as it should be, low, high; and a tank that is full of water', () => {
    expect(bad(readGas(vessel(262, 75)))).toBe(0)
    expect(words(readGas(vessel(200)))).toMatch(/pump it up to 262 kPa/)
    expect(words(readGas(vessel(300)))).toMatch(/let some out/)
    expect(words(readGas(vessel(undefined, 10)))).toMatch(/full of water/)
    expect(words(readGas(vessel(undefined, 45)))).toMatch(/gas is missing/)
  })
})
