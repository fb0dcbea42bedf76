import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plantOf } from './plant'
import { pipe, randomWorks, tankAt, worksOf } from '../../tests/waterworks'
import { compile } from '../balance'
import { levelsAt, levelsBetween, steady, tapsOf, wrongWaysOf } from '../network'
import { graphOf, isPumped, roleOf, type Site } from '../site'

const FLOWS_LPS = 0.003
/** What a person can set in Try, of what Reach looks through: no weak main, no pump that somebody holds. */
const SETTINGS = ['main-on', 'main-off'].flatMap(main =>
  ['full', 'low'].flatMap(level => ['shut', 'open'].map(taps => ({ main, level, taps }))),
)

/** The flows of a plant that begins so, its power off. */
function flowsIn(site: Site, { main, level, taps }: (typeof SETTINGS)[number]): Record<string, number> {
  const plant = plantOf(site, { levels: levelsAt(site, level as 'full' | 'low') })
  plant.act({ power: true, to: false })
  if (main === 'main-off')
    for (const node of site.nodes) if (node.kind === 'main') plant.act({ main: node.id, to: false })
  const [first] = tapsOf(site)
  if (taps === 'open' && first) plant.act({ tap: first.id, to: 1 })
  return plant.view().runs
}

describe('Reach and Try', () => {
  it('agree on every wrong way that can be set up in both, over made-up lines', () => {
    let [seen, told] = [0, 0]
    for (let seed = 1; seed <= 60; seed++) {
      const site = worksOf(randomWorks(seed, 5))
      const graph = graphOf(site)
      const ways = wrongWaysOf(site)
      const flows = SETTINGS.map(setting => ({ setting, runs: flowsIn(site, setting) }))
      // What Try shows to run back into a tank's outlet, a well or a main, Reach has told.
      for (const { runs } of flows)
        for (const run of site.runs) {
          const source = graph.node(run.from.node)!
          const isBack = (runs[run.id] ?? 0) < -2 * FLOWS_LPS
          const isWrong = source.kind === 'well' || (source.kind === 'tank' && roleOf(site, run.from) === 'outlet')
          if (!isBack || !isWrong) continue
          seen++
          expect([seed, run.id, ways.map(({ id }) => id)]).toEqual([
            seed,
            run.id,
            expect.arrayContaining([expect.stringMatching(new RegExp(`:${run.id}$`))]),
          ])
        }
      // And what Reach tells of such a setting, Try shows.
      for (const { happening, path, id } of ways) {
        const words = happening.split(' ')
        const at = flows.find(
          ({ setting }) =>
            words.includes(setting.level) &&
            words.includes(setting.taps) &&
            (words.includes(setting.main) || !words.some(word => word.startsWith('main-'))),
        )
        if (!at || !(words.includes('power-off') || !site.runs.some(isPumped))) continue
        told++
        for (const { runId, forward } of path)
          expect([seed, id, runId, Math.sign(at.runs[runId] ?? 0)]).toEqual([seed, id, runId, forward ? 1 : -1])
      }
    }
    expect(Math.min(seen, told)).toBeGreaterThan(10)
  })
})

describe('the year, the moment and the plant', () => {
  it('agree on what a pump cannot lift: nothing comes, in none of them', () => {
    let [comes, none] = [0, 0]
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 40 }), fc.integer({ min: 2, max: 40 }), (headM, liftM) => {
        // Its highest head with nothing flowing lies above its rated one: near it no answer is asked for.
        fc.pre(liftM < headM || liftM > 1.6 * headM)
        const site = worksOf({
          nodes: [tankAt('low', 0), tankAt('high', liftM)],
          runs: [['up', 'low', 'high', [{ kind: 'pump', pump: 'jet', flowLps: 0.4, headM }, pipe(liftM + 5, 32)]]],
        })
        const inYear = compile(site).transfers.length > 0
        const moment = steady(site, { levels: levelsBetween(site, 0.5) })
        const inMoment = (moment.runs.up?.flowLps ?? 0) > FLOWS_LPS
        const plant = plantOf(site, { levels: { low: 1, high: 0 } })
        plant.advance(3600)
        const inPlant = plant.view().levels.high! > 0.01
        expect([inMoment, inPlant]).toEqual([inYear, inYear])
        if (inYear) comes++
        else none++
      }),
      { numRuns: 60 },
    )
    expect(Math.min(comes, none)).toBeGreaterThan(5)
  })
})
