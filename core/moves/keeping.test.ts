import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank } from '../../tests/sites'
import { applyMove, type Made } from './apply'
import { beginHistory, madeAgain, STEPS_KEPT, takenBack, withinStep, withStep, type History } from './history'
import { writingOf, type Writing } from './keeping'
import { moveOf as makeMove, setField } from './registry'
import type { Move, Site } from '../site'
import type { LogReading } from '../kinds'

/** A store as it lies on the disk: it takes a writing whole, or not at all. */
class Disk {
  site: Site
  cursor = 0
  steps = new Map<number, Made>()
  constructor(site: Site) {
    this.site = site
  }
  log: LogReading[] = []
  take({ history, steps, from, to, readings }: Writing): void {
    const { log: _log, ...site } = history.site
    this.site = site
    for (const { place, reading } of readings?.put ?? []) this.log[place] = reading
    if (readings) this.log.length = readings.to
    this.cursor = history.cursor
    for (const { index, made } of steps) this.steps.set(index, made)
    for (const index of [...this.steps.keys()]) if (index < from || index >= to) this.steps.delete(index)
  }
  /** What a page that is opened finds. */
  reopened(): History {
    const indices = [...this.steps.keys()].sort((a, b) => a - b)
    return {
      site: this.log.length ? { ...this.site, log: [...this.log] } : this.site,
      steps: indices.map(index => this.steps.get(index)!),
      cursor: this.cursor,
      first: indices[0] ?? 0,
    }
  }
}

/** A document as a person knows it, and all that undo and redo would show from there. */
const told = ({ log, ...site }: Site): string => JSON.stringify([site, log])
function shown(history: History): string {
  const seen = [told(history.site)]
  for (let back = history; back.cursor > 0;) seen.push(told((back = takenBack(back)).site))
  seen.push('|')
  for (let on = history; on.cursor < on.steps.length;) seen.push(told((on = madeAgain(on)).site))
  return seen.join('\n')
}

const at = '2027-04-18'
const MOVES = [
  (value: number) => setField('site', '', 'name', `Site ${value}`),
  (value: number) => setField('site', '', 'place.altitudeM', value),
  (value: number) => makeMove('logReading', { at, kind: 'rain', value }),
  (value: number) => makeMove('correctReading', { reading: `log-${1 + (value % 5)}`, value }),
  (value: number) => makeMove('dropReading', { reading: `log-${1 + (value % 5)}` }),
]
const moveOf = (field: number, value: number): Move => MOVES[field]!(value)

type Act =
  | { do: 'edit' | 'stroke'; field: number; value: number }
  | { do: 'undo' | 'redo' | 'save begins' | 'save ends' | 'save fails' | 'kill' }

const acts: fc.Arbitrary<Act[]> = fc.array(
  fc.oneof(
    { weight: 4, arbitrary: fc.record({ do: fc.constant('edit' as const), field: fc.nat(4), value: fc.nat(99) }) },
    { weight: 3, arbitrary: fc.record({ do: fc.constant('stroke' as const), field: fc.nat(4), value: fc.nat(99) }) },
    {
      weight: 9,
      arbitrary: fc.record({
        do: fc.constantFrom('undo', 'redo', 'save begins', 'save ends', 'save ends', 'save fails', 'kill'),
      }) as fc.Arbitrary<Act>,
    },
  ),
  { maxLength: 80 },
)

describe('keeping a history', () => {
  it('whatever is done while a save runs, and wherever the page is killed, what is reopened was shown', () => {
    fc.assert(
      fc.property(acts, list => {
        const disk = new Disk(blank())
        let page = beginHistory(blank())
        let held: History | undefined = page
        let running: Writing | undefined
        const everShown = new Set([shown(page)])
        const make = (move: Move, take: typeof withStep) => {
          const result = applyMove(page.site, move)
          if (result.ok && result.made.patches.length) page = take(page, result.site, result.made)
        }
        const reopen = () => {
          page = disk.reopened()
          ;[held, running] = [page, undefined]
        }
        for (const act of list) {
          if (act.do === 'edit') make(moveOf(act.field, act.value), withStep)
          else if (act.do === 'stroke') make(moveOf(act.field, act.value), withinStep)
          else if (act.do === 'undo') page = takenBack(page)
          else if (act.do === 'redo') page = madeAgain(page)
          else if (act.do === 'save begins') running ??= writingOf(held, page)
          else if (act.do === 'save fails') running = undefined
          else if (act.do === 'save ends' && running) {
            disk.take(running)
            ;[held, running] = [running.history, undefined]
          } else if (act.do === 'kill') {
            // The disk takes a writing whole or not at all: a page killed in between finds the one or the other.
            reopen()
            expect(everShown).toContain(shown(page))
          }
          everShown.add(shown(page))
        }
        // Left alone, all of it is written, and then nothing is left to write.
        if (running) {
          disk.take(running)
          held = running.history
        }
        const rest = writingOf(held, page)
        if (rest) disk.take(rest)
        expect(shown(disk.reopened())).toBe(shown(page))
        expect(writingOf(page, page)).toBeUndefined()
      }),
      { numRuns: 400 },
    )
  })

  it('writes a step that was changed while the save ran', () => {
    const made = (label: string): Made => ({ label, patches: [], inverse: [] })
    const one = withStep(beginHistory(blank()), blank(), made('2.5 to 2.9'))
    const running = writingOf(undefined, one)!
    const other = withStep(takenBack(one), blank(), made('rename'))
    expect(writingOf(running.history, other)!.steps).toEqual([{ index: 0, made: other.steps[0] }])
    // The record goes along only where it differs, or where nobody knows what lies there.
    expect(writingOf(running.history, other)!.recordToo).toBe(false)
    expect(running.recordToo).toBe(true)
  })

  it('keeps the last steps, writes no more of them than are new, and lets the oldest go', () => {
    let history = beginHistory(blank())
    const disk = new Disk(blank())
    let held: History | undefined
    for (let at = 0; at < STEPS_KEPT + 40; at++) {
      const result = applyMove(history.site, moveOf(1, at + 1))
      if (!result.ok) throw new Error('refused')
      history = withStep(history, result.site, result.made)
      const writing = writingOf(held, history)!
      expect(writing.steps).toHaveLength(1)
      disk.take(writing)
      held = history
    }
    expect(disk.steps.size).toBe(STEPS_KEPT)
    expect(disk.reopened()).toMatchObject({ first: 40, cursor: STEPS_KEPT })
    expect(shown(disk.reopened())).toBe(shown(history))
  })
})
