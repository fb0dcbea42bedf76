import { describe, expect, it } from 'vitest'
import { demoSite } from '../../../tests/demoSites'
import { FOREIGN, NEVER, NO_SENTENCE, SYSTEMS } from '../../../tests/plainRules'
import { EVENT_KINDS, play, SCRIPT_IDS, SCRIPTS, scriptOf, type PlantEvent, type ScriptRow } from '../../../core/plant'
import { showQuantity, type System } from '../../../core/units'
import { breakPlaceName, eventSentence, type Show } from './book'

const showIn =
  (system: System): Show =>
  (value, kind) =>
    showQuantity(value, kind, system).text
const quillfern = demoSite('quillfern-ridge')
const pump = quillfern.runs.find(run => run.parts.some(({ kind }) => kind === 'pump'))!
const valved = quillfern.runs.find(run => run.parts.some(({ kind }) => kind === 'valve'))!
const valve = valved.parts.find(({ kind }) => kind === 'valve')!

describe('the book of what happened', () => {
  it('has a sentence for everything that can happen, in every system, and none of another’s units in it', () => {
    for (const system of SYSTEMS)
      for (const what of EVENT_KINDS)
        for (const value of [undefined, 0.4, 12]) {
          const said = eventSentence(quillfern, { atS: 60, what, id: 'tank-1', value }, [], showIn(system))
          expect(said, `${what} in ${system}`).toMatch(/^[A-Z“].{6,}$/)
          for (const rule of [...NEVER, NO_SENTENCE, FOREIGN[system]])
            expect(said, `${what} in ${system}`).not.toMatch(rule)
        }
  })
  it('tells every event of every play on the demo sites by names that people know', () => {
    const seen = new Set<string>()
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const) {
      const site = demoSite(name)
      for (const id of SCRIPT_IDS) {
        const row: ScriptRow = SCRIPTS[id]
        if (row.wants?.(site)) continue
        const { seconds, start, steps } = scriptOf(site, id)
        const { events } = play(site, { seconds: Math.min(seconds, 21600), start, script: steps, everyS: 21600 })
        for (const event of events) {
          const said = eventSentence(site, event, events, showIn('metric'))
          seen.add(event.what)
          for (const rule of [...NEVER, NO_SENTENCE]) expect(said, `${name}, ${id}`).not.toMatch(rule)
          // Ids are for the document, not for people.
          expect(said, `${name}, ${id}`).not.toMatch(/\b(run|tank|tap|pipe|part|spout|joint)-\d/)
        }
      }
    }
    expect(seen.size).toBeGreaterThan(10)
  })
  it('counts the starts of a pump that starts often, within an hour', () => {
    const starts: PlantEvent[] = [0, 600, 1200, 4300].map(atS => ({ atS, what: 'pump-starts', id: pump.id }))
    const said = starts.map(event => eventSentence(quillfern, event, starts, showIn('metric')))
    expect(said.map(words => /, (\d+(?:st|nd|rd|th)) time in an hour$/.exec(words)?.[1])).toEqual([
      undefined,
      undefined,
      '3rd',
      // The first two lie more than an hour back by then.
      undefined,
    ])
    const many: PlantEvent[] = Array.from({ length: 23 }, (_, at) => ({
      atS: at * 60,
      what: 'pump-starts',
      id: pump.id,
    }))
    const ordinals = many.map(
      event => /(\d+[a-z]+) time/.exec(eventSentence(quillfern, event, many, showIn('us')))?.[1],
    )
    expect([3, 10, 11, 12, 13, 20, 21, 22].map(nth => ordinals[nth])).toEqual([
      '4th',
      '11th',
      '12th',
      '13th',
      '14th',
      '21st',
      '22nd',
      '23rd',
    ])
  })
  it('names a part by its line, a line and a node by their names, and what is gone in general words', () => {
    expect(breakPlaceName(quillfern, valve.id)).toMatch(/^the valve of “.+”$/)
    expect(breakPlaceName(quillfern, pump.id)).toMatch(/^“.+”$/)
    expect(breakPlaceName(quillfern, 'tank-1')).toBe(quillfern.nodes.find(({ id }) => id === 'tank-1')!.name)
    expect(breakPlaceName(quillfern, 'nowhere')).toBe('a part')
    expect(eventSentence(quillfern, { atS: 0, what: 'valve-opens', id: valve.id }, [], showIn('metric'))).toMatch(
      /^Somebody opens the valve in “/,
    )
  })
})
