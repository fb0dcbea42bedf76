import { describe, expect, it } from 'vitest'
import { forecastOf, inForce, keepOf } from '..'
import { build, setUp } from '../../../tests/sites'
import { madeLog } from '../../../tests/madeLogs'
import { moveOf, applyMove } from '../../moves'
import { dayNumber, isoDate } from '../../climate'

const house = setUp('dry-summer-hill', [
  { preset: 'kitchen', count: 2 },
  { preset: 'beds', count: 20 },
])
const { log, on } = madeLog(house, 3, 120, 7, { coefficient: 1, use: 1 })
const [kitchen, beds] = house.uses.map(({ id }) => id) as [string, string]
const stage = (from: string, share: number, until?: string, use = beds) =>
  moveOf('restrict', { name: 'Stage 2', from, ...(until ? { until } : {}), uses: [{ id: use, share }] })
const after = (days: number) => isoDate(dayNumber(on) + days)

describe('a drought stage', () => {
  it('holds what is asked from its day to its end, and nothing before or after', () => {
    const held = build(house, stage(after(-40), 0.5, after(-20)))
    const [plain, less] = [keepOf(house, log, on).model, keepOf(held, log, on).model]
    const start = plain.rain.series.startDay
    for (let day = 0; day < plain.days; day++) {
      const inIt = day >= dayNumber(after(-40)) - start && day <= dayNumber(after(-20)) - start
      for (let use = 0; use < plain.uses; use++) {
        const row = day * plain.uses + use
        const share = inIt && plain.compiled.demands[use]!.id === beds ? 0.5 : 1
        expect(less.askedL[row]).toBeCloseTo(share * plain.askedL[row]!, 9)
      }
    }
  })
  it('makes the water last longer, and is told as in force on its days alone', () => {
    const dry = (site: typeof house) => forecastOf(site, keepOf(site, log, on)).dryShare[200]!
    const held = build(house, stage(after(1), 0))
    expect(dry(held)).toBeLessThan(dry(house))
    expect(inForce(held, on)).toEqual([])
    expect(inForce(held, after(1))).toHaveLength(1)
    // Of two in force the stricter holds.
    const two = build(house, stage(after(1), 0), stage(after(1), 0.9))
    expect(dry(two)).toBe(dry(held))
  })
  it('is changed, ended and taken out; days that are the wrong way round are refused', () => {
    const held = build(house, stage('2027-06-01', 0.5))
    const { id } = held.restrictions![0]!
    const ended = build(
      held,
      moveOf('changeRestriction', { stage: id, until: '2027-09-01', use: { id: kitchen, share: 0.8 } }),
    )
    expect(ended.restrictions![0]).toMatchObject({
      until: '2027-09-01',
      uses: [{ id: beds }, { id: kitchen, share: 0.8 }],
    })
    expect(
      build(ended, moveOf('changeRestriction', { stage: id, until: null })).restrictions![0]!.until,
    ).toBeUndefined()
    expect(build(ended, moveOf('dropRestriction', { stage: id })).restrictions).toBeUndefined()
    const refused = applyMove(held, moveOf('changeRestriction', { stage: id, until: '2027-05-01' }))
    expect(refused).toMatchObject({ ok: false })
    expect(applyMove(house, stage('2027-06-01', 0.5, '2027-05-01'))).toMatchObject({ ok: false })
  })
  it('of a use that is no longer there holds nothing back', () => {
    const stray = build(house, stage(after(-40), 0, undefined, 'gone'))
    expect(keepOf(stray, log, on).use).toEqual(keepOf(house, log, on).use)
  })
})
