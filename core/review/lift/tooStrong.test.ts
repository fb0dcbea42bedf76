import { describe, expect, it } from 'vitest'
import { review } from '..'
import { applyMove } from '../../moves'
import { momentWith, partsAlong } from '../../network'
import { buildOf } from '../../build'
import { keepAnswer } from '../../keep'
import { readSite, type Site } from '../../site'
import { jointAt, mainAt, pipe, tapAt, worksOf } from '../../../tests/waterworks'

/** A house on a main that is too strong for it. */
const house = (mainKPa: number): Site =>
  worksOf({
    nodes: [mainAt('main', 0, mainKPa), jointAt('tee', 1), tapAt('sink', 1), tapAt('cellar', -2)],
    runs: [
      ['in', 'main', 'tee', [{ kind: 'valve', boreMm: 25, open: true }, pipe(12)]],
      ['up', 'tee', 'sink', [pipe(4)]],
      ['down', 'tee', 'cellar', [pipe(6)]],
    ],
  })
const strong = (site: Site) => review(site).findings.filter(({ check }) => check === 'tap-too-strong')

describe('a main that is too strong', () => {
  it('is mended by a regulator where the house begins, at every tap at once, and nothing comes of it', () => {
    const site = house(800)
    const found = strong(site)
    expect(found.map(({ id }) => id)).toEqual(['tap-too-strong:sink', 'tap-too-strong:cellar'])
    const before = new Set(review(site).findings.map(({ id }) => id))
    for (const { mend } of found) {
      const made = applyMove(site, mend!.move)
      if (!made.ok) throw new Error('it is not made')
      expect(strong(made.site)).toEqual([])
      const wrong = review(made.site).findings.filter(({ id, severity }) => severity === 'wrong' && !before.has(id))
      expect(wrong).toEqual([])
      expect(readSite(JSON.parse(JSON.stringify(made.site))).ok).toBe(true)
    }
  })
  it('and behind it its line tells the pressures, its list buys it, and its chore comes', () => {
    const made = applyMove(house(800), strong(house(800))[0]!.mend!.move)
    if (!made.ok) throw new Error('it is not made')
    const { site } = made
    const [run] = site.runs
    expect(run!.parts.map(({ kind }) => kind)).toEqual(['valve', 'regulator', 'pipe'])
    const setKPa = (run!.parts[1] as { setKPa: number }).setKPa
    const along = partsAlong(site, run!, momentWith(site, [], 'full'))
    expect(along[1]!.beforeKPa!).toBeGreaterThan(700)
    expect(along[1]!.behindKPa!).toBeCloseTo(setKPa, 3)
    expect(buildOf(site).parts.some(({ what }) => what.startsWith('pressure regulator'))).toBe(true)
    const { chores } = keepAnswer(site, [], '2027-04-18')
    expect(chores.some(({ id }) => id.startsWith('regulator:'))).toBe(true)
  })
  it('that is as strong as houses are kept asks for none', () => {
    expect(strong(house(500))).toEqual([])
  })
})
