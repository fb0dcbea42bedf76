import { describe, expect, it } from 'vitest'
import { idleDays, planOf } from '..'
import { demoSite } from '../../../tests/demoSites'

describe('days on which nobody works', () => {
  it('are all those between others, and each says what must cure before the next', () => {
    const plan = planOf(demoSite('quillfern-ridge'), { people: 2, hoursADay: 6 }, 12)
    const idle = idleDays(plan)
    const worked = new Set(plan.filter(({ done }) => !done).map(({ day }) => day))
    const last = Math.max(...worked)
    const told = new Set(idle.flatMap(({ from, to }) => Array.from({ length: to - from + 1 }, (_, at) => from + at)))
    expect(idle.length).toBeGreaterThan(0)
    for (let day = Math.min(...worked); day <= last; day++) expect(worked.has(day), String(day)).toBe(!told.has(day))
    for (const { waitsFor } of idle) {
      expect(waitsFor.length).toBeGreaterThan(0)
      for (const { curesH } of waitsFor) expect(curesH).toBeGreaterThan(0)
    }
  })
  it('are none where one day follows another', () => {
    expect(idleDays([])).toEqual([])
  })
})
