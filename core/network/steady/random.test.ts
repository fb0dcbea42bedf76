import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { outfallAt, pipe, randomWorks, tankAt, worksOf, type Works } from '../../../tests/waterworks'
import { steady, type MomentSetting } from '..'
import type { Site } from '../../site'

const seeds = fc.integer({ min: 1, max: 999_999 })
const tapsOf = (site: Site) => site.nodes.filter(node => node.kind === 'tap').map(({ id }) => id)
const allOpen = (site: Site): MomentSetting => ({ open: Object.fromEntries(tapsOf(site).map(id => [id, 1])) })

describe('lines made at random', () => {
  it('up to a hundred runs find their flows, and pass on what they get', () => {
    let [tried, explained] = [0, 0]
    fc.assert(
      fc.property(seeds, fc.integer({ min: 1, max: 55 }), (seed, joints) => {
        const site = worksOf(randomWorks(seed, joints))
        const { converged, residuals, trouble, runs, taps } = steady(site, allOpen(site))
        tried++
        // A set that pushes round a ring into its own mouth may find no speed; then it is named.
        if (!converged) {
          explained++
          expect(trouble).toMatch(/“.+” never settles/)
          return
        }
        expect(residuals.continuityLps).toBeLessThan(1e-6)
        expect(residuals.energyM).toBeLessThan(1e-4)
        for (const run of site.runs) {
          const { flowLps, status } = runs[run.id]!
          if (run.parts.some(({ kind }) => kind === 'check')) expect(flowLps).toBeGreaterThanOrEqual(0)
          expect(status === 'flowing').toBe(flowLps !== 0)
        }
        for (const { flowLps } of Object.values(taps)) expect(flowLps).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: 300 },
    )
    expect(explained).toBeLessThan(tried / 100)
  })
  it('a run turned round has its flow turned round, and nothing else changes', () => {
    fc.assert(
      fc.property(seeds, fc.nat(), (seed, pick) => {
        const works = randomWorks(seed, 12)
        const plain = works.runs.filter(
          ([, from, to, parts]) =>
            [from, to].every(end => end.startsWith('j')) && parts.every(({ kind }) => ['pipe', 'valve'].includes(kind)),
        )
        const turned = plain[pick % Math.max(1, plain.length)]
        if (!turned) return
        const other: Works = {
          ...works,
          runs: works.runs.map(run => (run === turned ? [run[0], run[2], run[1], run[3].toReversed()] : run)),
        }
        const [one, two] = [worksOf(works), worksOf(other)].map(site => steady(site, allOpen(site))) as [
          ReturnType<typeof steady>,
          ReturnType<typeof steady>,
        ]
        for (const [id] of works.runs)
          expect(two.runs[id]!.flowLps).toBeCloseTo(one.runs[id]!.flowLps * (id === turned[0] ? -1 : 1), 4)
      }),
    )
  })
  it('on a tree under a tank no tap gains by another that is opened', () => {
    fc.assert(
      fc.property(seeds, fc.nat(), (seed, pick) => {
        const made = randomWorks(seed, 14)
        // The tree alone: pipes from one tank, no rings, no pumps, no other source.
        const first = new Set<string>()
        const runs = made.runs
          .filter(([, from, to]) => /^[js]/.test(from) && /^[jt]/.test(to) && (from[0] === 'j' || from === 's0'))
          .filter(([, , to]) => !first.has(to) && first.add(to))
          .map(([id, from, to, parts]): Works['runs'][number] => [
            id,
            from,
            to,
            parts.filter(({ kind }) => kind === 'pipe'),
          ])
        const kept = new Set(runs.flatMap(([, from, to]) => [from, to]))
        const nodes = made.nodes.filter(({ id }) => kept.has(id))
        const site = worksOf({ nodes, runs })
        const taps = tapsOf(site)
        if (taps.length < 2) return
        const opened = taps[pick % taps.length]!
        const rest = taps.filter(id => id !== opened)
        const before = steady(site, { open: Object.fromEntries(rest.map(id => [id, 0.7])) })
        const after = steady(site, { open: { ...Object.fromEntries(rest.map(id => [id, 0.7])), [opened]: 1 } })
        for (const id of rest)
          expect(after.taps[id]!.pressureKPa).toBeLessThanOrEqual(before.taps[id]!.pressureKPa + 1e-4)
      }),
    )
  })
  it('a line twice as long passes less, and its friction takes the height all the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.constantFrom(16, 20, 25, 32), (lengthM, boreMm) => {
        const [short, long] = [lengthM, 2 * lengthM].map(each => {
          const works: Works = { nodes: [tankAt('hill', 10), outfallAt('ditch', 0)], runs: [] }
          works.runs.push(['line', 'hill', 'ditch', [pipe(each, boreMm)]])
          return steady(worksOf(works), { levels: { hill: 1 } }).runs.line!
        })
        expect(long!.flowLps).toBeLessThan(short!.flowLps)
        expect(long!.flowLps).toBeGreaterThan(short!.flowLps / 2)
        expect(long!.lossM).toBeCloseTo(11, 6)
      }),
    )
  })
})
