import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { bringTheApp } from '../../tests/brought'
import { blank } from '../../tests/sites'
import { demoSite } from '../../tests/demoSites'
import { FOREIGN, NEVER, SYSTEMS } from '../../tests/plainRules'
import { compiledOf, overYears, poolFigures, roofYearOf, yearsAhead } from '../../core/balance'
import { review } from '../../core/review'
import { showQuantity, showVolume, type System } from '../../core/units'
import type { Site } from '../../core/site'
import type { StepContext, StepDefinition } from './step'

bringTheApp()
afterAll(() => vi.unstubAllGlobals())
const { STEPS, stepAt } = await import('./steps')
const { daysShort, findingsOf, markOf, middleOfYears, WAITING } = await import('./step')

/** What a step is told once all is answered, or before anything is. */
function contextOf(site: Site, units: System, answered = true): StepContext {
  const spoken = { ...site, standards: { ...site.standards, units } }
  return {
    site: spoken,
    pools: answered ? poolFigures(compiledOf(spoken)) : undefined,
    outlook: answered ? yearsAhead(spoken) : undefined,
    roofYear: answered ? roofYearOf(spoken) : undefined,
    review: answered ? review(spoken) : undefined,
    isReviewed: answered,
    litres: value => showVolume(value, units).text,
    show: (value, kind) => showQuantity(value, kind, units).text,
  }
}
const NAMES = ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const
const contexts = NAMES.flatMap(name =>
  SYSTEMS.map(units => ({ name, units, context: contextOf(demoSite(name), units) })),
)
const idsIn = ({ nodes, runs, roofs, uses }: Site) =>
  new Set([...nodes, ...runs, ...roofs, ...uses].map(({ id }) => id))

/** Some steps bring what they tell of when they are first come to. */
beforeAll(async () => {
  const { context } = contexts[0]!
  for (const step of STEPS) step.figures?.(context)
  const waits = () => STEPS.some(step => step.subjects && !step.subjects(context).length)
  await vi.waitFor(() => expect(waits()).toBe(false), { timeout: 20000, interval: 50 })
}, 30000)

describe.each(STEPS.map(step => [step.id, step] as [string, StepDefinition]))('the step %s', (_id, step) => {
  it('lists subjects that stand in the site, each once, in words that hold in every system', () => {
    for (const { name, units, context } of contexts) {
      const subjects = step.subjects!(context)
      const known = idsIn(context.site)
      expect(new Set(subjects.map(({ id }) => id)).size, name).toBe(subjects.length)
      for (const { name: called, figure, holds, node } of subjects) {
        expect(called.length, name).toBeGreaterThan(1)
        for (const rule of NEVER) expect(`${called}: ${figure ?? ''}`, name).not.toMatch(rule)
        expect(figure ?? '', `${name}: ${called}`).not.toMatch(FOREIGN[units])
        for (const id of holds) expect(known, `${name}: ${called}`).toContain(id)
        if (node !== undefined) expect(known, `${name}: ${called}`).toContain(node)
      }
    }
  })
  it('has four figures at most, each of another name, told in the units of the site', () => {
    for (const { name, units, context } of contexts) {
      const figures = step.figures!(context)
      expect(figures.length > 0 && figures.length <= 4, name).toBe(true)
      expect(new Set(figures.map(figure => figure.name)).size).toBe(figures.length)
      for (const figure of figures) {
        expect(figure.value, `${name}: ${figure.name}`).not.toBe('')
        // What a plant that is played says, and what a break loses, a thread is asked.
        if (!['try', 'reach'].includes(step.id)) expect(figure.value, `${name}: ${figure.name}`).not.toBe(WAITING)
        for (const rule of [...NEVER, FOREIGN[units]]) expect(figure.value, `${name}: ${figure.name}`).not.toMatch(rule)
        for (const rule of NEVER) expect(figure.note, `${name}: ${figure.name}`).not.toMatch(rule)
      }
    }
  })
  it('shows what is not known yet as such, and what is known early at once', () => {
    const before = step.figures!(contextOf(demoSite('quillfern-ridge'), 'metric', false))
    const after = step.figures!(contexts[0]!.context)
    expect(before.map(({ name }) => name)).toEqual(after.map(({ name }) => name))
    for (const { early, value } of before) if (early) expect(value).not.toBe('')
    for (const { value, note } of before) for (const rule of NEVER) expect(`${value} ${note}`).not.toMatch(rule)
  })
  it('has something to say of a site of nothing, and counts as not started there', () => {
    const context = contextOf(blank(), 'metric')
    for (const { value, note } of step.figures!(context))
      for (const rule of NEVER) expect(`${value} ${note}`).not.toMatch(rule)
    for (const { holds } of step.subjects!(context)) for (const id of holds) expect(idsIn(context.site)).toContain(id)
    expect(['empty', 'working', 'look']).toContain(markOf(step, { ...context, review: undefined, isReviewed: false }))
    expect(step.caution).toMatch(/[.]$/)
  })
})

describe('the steps', () => {
  it('stand in working order, and an address of none of them leads to the tanks', () => {
    expect(STEPS.map(({ id }) => id)).toEqual([
      'need',
      'catch',
      'clean',
      'store',
      'lift',
      'reach',
      'try',
      'build',
      'keep',
    ])
    for (const step of STEPS) expect(stepAt(step.id)).toBe(step)
    for (const id of [undefined, '', 'nowhere', 3]) expect(stepAt(id).id).toBe('store')
  })
  it('are marked by what was found of them, and so is each subject', () => {
    for (const { context } of contexts) {
      const { site, review } = context
      for (const step of STEPS) {
        const found = review!.findings.filter(finding => finding.step === step.id)
        const begun = step.isOpen?.(site) ? 'look' : 'clear'
        expect(markOf(step, context)).toBe(found.length ? 'look' : step.started!(site) ? begun : 'empty')
        // Nothing is said to be clear before it was looked at.
        expect(markOf(step, { ...context, review: undefined, isReviewed: false })).not.toBe('clear')
        for (const subject of step.subjects!(context))
          expect(findingsOf(subject, step.id, review)).toEqual(
            subject.holds.flatMap(id => found.filter(finding => finding.subject.id === id)),
          )
        expect(findingsOf({ holds: ['tank-1'] }, step.id, undefined)).toEqual([])
      }
    }
  })
})

describe('a figure of the years', () => {
  const { context } = contexts[0]!
  it('is the middle of them with their range, and waits until they are known', () => {
    const { outlook } = context
    const of = (year: { shortDays: number }) => year.shortDays
    const { middle, least, most } = overYears(outlook!, of)
    const figure = middleOfYears('Days', context, of, value => `${Math.round(value)}`)
    expect(figure.value).toBe(`${Math.round(middle)}`)
    expect(figure.note).toBe(
      least === most ? 'middle of 30 years' : `middle of 30 years, ${Math.round(least)} to ${Math.round(most)}`,
    )
    expect(middleOfYears('Days', { outlook: undefined }, of, String)).toEqual({
      name: 'Days',
      value: WAITING,
      note: '',
    })
  })
  it('of days short is alike at every step that shows it', () => {
    const told = STEPS.flatMap(step => step.figures!(context)).filter(({ name }) => name === 'Days short a year')
    expect(told.length).toBeGreaterThan(0)
    for (const figure of told) expect(figure).toEqual(daysShort(context))
  })
})
