import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { hasNoCircle, moveTask, planOf, tasksOf } from '..'
import { moveOf } from '../../moves'
import { demoSite } from '../../../tests/demoSites'
import { arbitrarySite, build, refusal } from '../../../tests/sites'

describe('the order of work', () => {
  it('of every site respects what each task waits for, and no task waits for itself', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        expect(hasNoCircle(tasksOf(site))).toBe(true)
        const plan = planOf(site)
        const at = new Map(plan.map(({ id }, index) => [id, index]))
        for (const [index, task] of plan.entries())
          for (const before of task.after) if (at.has(before)) expect(at.get(before)!, task.id).toBeLessThan(index)
        const days = plan.map(({ day }) => day)
        expect(days).toEqual(days.toSorted((a, b) => a - b))
      }),
      { numRuns: 40 },
    )
  })
  const site = demoSite('brindle-yard')
  it('waits for a slab to cure, and goes on with other work meanwhile', () => {
    const plan = planOf(site)
    const day = (id: string) => plan.find(task => task.id === id)!.day
    expect(day('stand:tank-3')).toBeGreaterThanOrEqual(day('base:tank-3') + 5)
    expect(plan.filter(task => task.day > 1 && task.day < day('stand:tank-3')).length).toBeGreaterThan(5)
    // Bulkheads before it stands, water after all that meets the tank, the switch last.
    expect(day('wall:tank-3')).toBeLessThanOrEqual(day('stand:tank-3'))
    expect(plan.at(-1)!.work).toBe('switch')
  })
  it('is changed within what the graph allows, and says what stands against it', () => {
    const plan = planOf(site)
    const refused = moveTask(site, 'fill:tank-3', plan[0]!.id)
    expect(refused).toMatchObject({ ok: false })
    expect(!refused.ok && refused.problems[0]!.sentence).toMatch(/“Fill Low drum .+ waits for “/)
    const moved = moveTask(site, 'cut:to-wc', plan[0]!.id)
    if (!moved.ok) throw new Error('refused')
    expect(moved.order[0]).toBe('cut:to-wc')
    expect(planOf(build(site, moveOf('orderTasks', { order: moved.order })))[0]!.id).toBe('cut:to-wc')
  })
  it('a task that is done stands on no day, and opens what waited for it', () => {
    const ticked = build(site, moveOf('tickTask', { task: 'holes:tank-1', on: '2027-04-18', note: 'saw is blunt' }))
    const holes = planOf(ticked).find(({ id }) => id === 'holes:tank-1')!
    expect(holes).toMatchObject({ day: 0, done: { on: '2027-04-18', note: 'saw is blunt' } })
    expect(planOf(ticked).find(({ id }) => id === 'wall:tank-1')!.waitsFor).toEqual([])
    expect(refusal(site, moveOf('tickTask', { task: 'x', on: 'spring' }))).toContain('must be a date')
  })
})
