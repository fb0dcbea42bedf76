import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { bringTheApp } from '../../../tests/brought'
import { demoSite } from '../../../tests/demoSites'
import type { Command, PlantView } from '#core/plant'
import type { Site } from '#core/site'

bringTheApp()
vi.useFakeTimers()
afterAll(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
/** A thread in which a plant stands still, but for its clock and what is done to it. */
const plant = {
  atS: 0,
  done: [] as [atS: number, Command][],
  started: [] as Site[],
  fails: undefined as string | undefined,
}
const look = (events: object[] = []) => ({ view: { atS: plant.atS } as PlantView, events, trouble: undefined })
const answers = {
  start(site: Site) {
    plant.atS = 0
    plant.started.push(site)
    return Promise.resolve(look())
  },
  act(doings: Command[]) {
    plant.done.push(...doings.map((doing): [number, Command] => [plant.atS, doing]))
    return Promise.resolve(look([{ what: 'tap-opens', id: 'tap-1', atS: plant.atS }]))
  },
  advance(untilS: number) {
    if (plant.fails) return Promise.reject(new Error(plant.fails))
    plant.atS = untilS
    return Promise.resolve(look())
  },
}
vi.mock('~/engine/plants', () => ({
  plantThread: () => ({
    ask: (question: (plants: typeof answers) => unknown) => question(answers),
    light: (site: Site) => site,
    stop: () => undefined,
  }),
}))
const store = { site: demoSite('brindle-yard') }
vi.mock('~/stores/site', () => ({ useSite: () => store }))
const { clockText: clock, SPEEDS, useTry } = await import('./useTry')
const played = useTry()
const seconds = (count: number) => vi.advanceTimersByTimeAsync(1000 * count)

beforeEach(async () => {
  plant.done = []
  plant.fails = undefined
  played.pause()
  played.speed.value = 60
  await played.begin()
  plant.started = []
})

describe('a plant that is played', () => {
  it('moves on by its speed while it runs, and stands while it does not', async () => {
    played.run()
    await seconds(2)
    played.pause()
    const stoodS = played.view.value!.atS
    expect(stoodS).toBeGreaterThan(90)
    expect(stoodS).toBeLessThanOrEqual(120)
    await seconds(5)
    expect(played.view.value!.atS).toBe(stoodS)
    await played.step()
    expect(played.view.value!.atS).toBe(stoodS + 60)
  })
  it('pressed to run twice runs no faster', async () => {
    played.run()
    played.run()
    await seconds(1)
    played.pause()
    expect(played.view.value!.atS).toBeLessThanOrEqual(60)
    await seconds(1)
    expect(played.view.value!.atS).toBeLessThanOrEqual(60)
  })
  it('does what its script says when its time comes, not a look later, and ends with it', async () => {
    const steps = [
      { atS: 0, tap: 'tap-1', to: 1 },
      { atS: 45.5, tap: 'tap-1', to: 0 },
      { atS: 90, rainMmPerH: 10 },
    ]
    await played.begin({}, { name: 'A day', steps, seconds: 120 } as Parameters<typeof played.begin>[1])
    expect(plant.done.map(([atS]) => atS)).toEqual([0])
    played.run()
    await seconds(10)
    expect(plant.done.map(([atS]) => atS)).toEqual([0, 45.5, 90])
    expect(plant.done.map(([, doing]) => doing)).toEqual(steps)
    expect(played.playing.value).toBe(false)
    expect(played.script.value).toBeUndefined()
    expect(played.view.value!.atS).toBe(120)
    expect(played.events.value).toHaveLength(3)
  })
  it('begins anew where what stands there has changed, and not for a name', async () => {
    await played.step()
    store.site = { ...store.site, name: 'Another name' }
    await played.ready()
    expect(plant.started).toEqual([])
    store.site = { ...store.site, runs: [...store.site.runs] }
    await played.ready()
    expect(plant.started).toEqual([store.site])
    expect(played.notice.value).toContain('begun anew')
    expect(played.view.value!.atS).toBe(0)
  })
  it('that fails says why, stops, and can be begun again', async () => {
    plant.fails = 'The line to the tap has no water.'
    played.run()
    await seconds(1)
    expect(played.failure.value).toBe('The line to the tap has no water.')
    expect(played.playing.value).toBe(false)
    plant.fails = undefined
    await played.begin()
    expect(played.failure.value).toBeUndefined()
  })
  it('keeps as much of its course as its strips show, and no more', async () => {
    for (let times = 0; times < 2100; times++) await played.step()
    expect(played.course.value).toHaveLength(2000)
    expect(played.course.value.at(-1)!.atS).toBe(2100 * 60)
  })
})

describe('its clock', () => {
  it.each([
    [0, 7 * 3600, '07:00:00'],
    [59.9999999, 7 * 3600, '07:01:00'],
    [17 * 3600 - 1, 7 * 3600, '23:59:59'],
    [17 * 3600, 7 * 3600, 'day 2, 00:00:00'],
    [49 * 3600, 0, 'day 3, 01:00:00'],
  ])('after %d s from %d s shows %s', (atS, startS, words) => expect(clock(atS, startS)).toBe(words))
  it('leaves the seconds out where they say nothing', () => expect(clock(61, 3600, false)).toBe('01:01'))
  it('has speeds from the true one to a day a second, each faster than the last', () => {
    const values = SPEEDS.map(({ value }) => value)
    expect([values[0], values.at(-1)]).toEqual([1, 86400])
    expect(values).toEqual(values.toSorted((a, b) => a - b))
  })
})
