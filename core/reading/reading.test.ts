import { describe, expect, it } from 'vitest'
import { readingOf } from '.'
import { blank, build, plainTank, rainDays, using, withRoof } from '../../tests/sites'
import { moveOf, setField } from '../moves'
import { weatherSeries } from '../climate'
import { catchYear, compile, outlookOf, poolsOf, simulate } from '../balance'

const house = () => using(withRoof(plainTank(blank(), 'A')), 40)
const workedOut = (reading: object) =>
  Object.entries(Object.getOwnPropertyDescriptors(reading))
    .filter(([, descriptor]) => 'value' in descriptor)
    .map(([part]) => part)

describe('a reading of a document', () => {
  it('works nothing out before it is asked for, and only what is asked for', () => {
    const reading = readingOf(house())
    expect(workedOut(reading)).toEqual(['site'])
    expect(reading.pools).toHaveLength(1)
    expect(workedOut(reading).sort()).toEqual(['pools', 'site'])
  })
  it('works each thing out once, whoever asks', () => {
    const site = house()
    const outlook = readingOf(site).outlook
    expect(readingOf(site).outlook).toBe(outlook)
    expect(readingOf(site)).toBe(readingOf(site))
    expect(readingOf(site).compiled).toBe(readingOf(site).compiled)
  })
  it('is another after a move, and the one before still tells of the plan before', () => {
    const site = house()
    const before = readingOf(site)
    const wider = build(site, moveOf('resizeTank', { tank: 'tank-1', shape: { lengthM: 3 } }))
    const after = readingOf(wider)
    expect(after).not.toBe(before)
    expect(after.pools[0]!.capL).toBeCloseTo(3 * before.pools[0]!.capL, 6)
    expect(before.pools[0]!.capL).toBeCloseTo(900, 6)
  })
  it('says what the parts say when they are asked one by one', () => {
    const site = house()
    const reading = readingOf(site)
    const [compiled, series] = [compile(site), weatherSeries(site)]
    expect(reading.outlook).toEqual(outlookOf(site, compiled, series, simulate(compiled, series)))
    expect(reading.roofYear).toEqual(catchYear(compiled, series))
    expect(reading.pools.map(pool => pool.id)).toEqual(poolsOf(site).map(pool => pool.id))
  })
  it('takes the days that are handed to it', () => {
    const site = house()
    const dry = rainDays(...Array.from({ length: 365 }, () => 0))
    const reading = readingOf(site, dry)
    expect(reading.series).toBe(dry)
    expect(reading.outlook.years[0]!.caughtL).toBe(0)
  })
  it('finds each line, spill, burst and emptying by the id of what it is of', () => {
    const reading = readingOf(house())
    expect(reading.lines.map(line => [line.spout.id, line.tank.id])).toEqual([['spout-1', 'tank-1']])
    expect([...reading.spills.keys()]).toEqual(['tank-1'])
    expect(reading.bursts.get('tank-1')).toEqual({ ownL: 900, lostL: 900 })
    expect([...reading.emptyings.keys()]).toEqual(['tank-1'])
    expect([...reading.soakaways.keys()]).toEqual([])
  })
  it('tells where a pool spills to as it is said now', () => {
    const site = house()
    const outfall = site.nodes.find(node => node.kind === 'outfall')!
    const led = build(site, setField('node', outfall.id, 'to', 'soakaway'))
    expect(readingOf(led).spills.get('tank-1')!.outfall).toMatchObject({ id: outfall.id, to: 'soakaway' })
  })
  it('of an empty site is empty, and sound', () => {
    const reading = readingOf(blank())
    expect(reading.pools).toEqual([])
    expect(reading.lines).toEqual([])
    expect(reading.links).toEqual([])
    expect(reading.spills.size + reading.bursts.size + reading.emptyings.size).toBe(0)
  })
})
