import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitrarySite, blank, build } from '../../tests/sites'
import { applyMove, lineFrom, moveOf, newSite, standInClimate, type Gutter, type Move, type Site, type SiteNode } from '../site'
import { CHECKS, phraseText, review } from '.'

const sound = () => {
  const made = newSite({
    id: 's', name: 'Sound', units: 'metric', climate: standInClimate('wet-town'), place: { latitudeDeg: 52, altitudeM: 60, frostDepthM: 0.4 },
    roof: { name: 'House', lengthM: 11, widthM: 8, material: 'slate' }, uses: [{ preset: 'kitchen', count: 3 }, { preset: 'beds', count: 15 }],
  })
  if (!made.ok) throw new Error(made.problem)
  return made.site
}
const set = (site: Site, id: string, field: keyof SiteNode | string, value: unknown): Move => moveOf('change', { path: ['nodes', site.nodes.findIndex(node => node.id === id), field], value })
const without = (site: Site, drop: (part: { kind: string }) => boolean): Site => ({ ...site, runs: site.runs.map(run => ({ ...run, parts: run.parts.filter(part => !drop(part)) })) })

const gutter = (change: Partial<Gutter>): Move => moveOf('change', { path: ['roofs', 0, 'spouts', 0, 'gutter'], value: { profile: 'half-round', widthMm: 75, depthMm: 38, slope: 0, outletAt: 'end', guard: 'none', below: 'harmless', ...change } })

/** For each check, how a sound site comes to fail it. */
const FAULTS: Record<string, (site: Site) => Site> = {
  'roof-without-spout': site => build(site, moveOf('remove', { id: 'spout-1' })),
  'shares-off': site => build(site, moveOf('change', { path: ['roofs', 0, 'spouts', 0, 'share'], value: 0.6 })),
  'fed-from-below': site => build(site, moveOf('setHeight', { node: 'tank-1', baseM: 1.5 })),
  'no-first-flush': site => build(site, moveOf('takeOutChamber', { chamber: 'chamber-1' })),
  'chamber-stays-full': site => build(site, set(site, 'chamber-1', 'orificeMm', null)),
  'no-overflow': site => build(site, moveOf('remove', { id: 'outfall-1' })),
  'overflow-too-small': site => build(site, moveOf('setPort', { tank: 'tank-1', port: 'overflow', boreMm: 50 })),
  'overflow-above-inlet': site => build(site, moveOf('setPort', { tank: 'tank-1', port: 'inlet', heightM: 1.4 })),
  'rims-differ': site => build(site, moveOf('setHeight', { node: 'tank-2', baseM: 0.4 })),
  'link-without-valve': site => without(site, part => part.kind === 'valve'),
  'no-vent': site => build(site, set(site, 'tank-1', 'ventMm', 0)),
  'light-in-sun': site => build(site, set(site, 'tank-2', 'lightTight', false)),
  'bare-soil': site => build(site, set(site, 'tank-2', 'base', 'bare-soil')),
  'use-without-supply': site => build(site, moveOf('setHeight', { node: site.uses[1]!.at, baseM: 4 })),
  'asks-more-than-comes': site => build(site, moveOf('addUse', { preset: 'cattle', count: 30 })),
  'untreated-drinking': site => without(site, part => part.kind === 'lamp'),
  'roof-unfit': site => build(site, moveOf('change', { path: ['roofs', 0, 'material'], value: 'asphalt-shingle' })),
  'storm-missing': site => build(site, moveOf('change', { path: ['climate', 'storm'], value: { minutes: 5 } })),
  'spout-without-share': site => build(site, moveOf('addSpout', { roof: 'roof-1' }), moveOf('change', { path: ['roofs', 0, 'spouts'], value: [{ nodeId: 'spout-1', share: 1 }] })),
  'gutter-unknown': site => build(site, moveOf('change', { path: ['roofs', 0, 'spouts', 0, 'gutter'], value: undefined })),
  'gutter-too-small': site => build(site, gutter({ profile: 'half-round', widthMm: 75 })),
  'downpipe-too-small': site => build(site, set(site, 'spout-1', 'boreMm', 40)),
  'spill-over-door': site => build(site, gutter({ profile: 'half-round', widthMm: 75, below: 'door' })),
  'line-climbs': (site) => {
    const dipped = build(site, moveOf('dipLine', { spout: 'spout-1', lowM: 0.2 }))
    return build(dipped, moveOf('setHeight', { node: 'joint-2', baseM: 4 }))
  },
  'line-too-slow': site => build(site, moveOf('setBore', { runs: lineFrom(site, 'spout-1').map(run => run.id), boreMm: 25 })),
  'wet-line-undrained': (site) => {
    const dipped = build(site, moveOf('dipLine', { spout: 'spout-1', lowM: -0.4 }))
    return build(dipped, moveOf('remove', { id: dipped.nodes.at(-1)!.id }))
  },
  'wet-line-freezes': site => ({ ...build(site, moveOf('dipLine', { spout: 'spout-1', lowM: -0.4 })), climate: standInClimate('cold-upland') }),
  'unequal-join': (site) => {
    const joined = build(site, moveOf('addSpout', { roof: 'roof-1' }), moveOf('joinSpouts', { spout: 'spout-2', into: 'spout-1' }))
    return build(joined, moveOf('setBore', { runs: [lineFrom(joined, 'spout-2')[0]!.id], boreMm: 25 }))
  },
  'mosquito-mesh': site => without(site, part => part.kind === 'screen'),
  'chamber-too-small': site => build(site, set(site, 'chamber-1', 'wantedMm', 2)),
  'outlet-too-slow': site => build(site, set(site, 'chamber-1', 'orificeMm', 0.3)),
  'outlet-wasteful': site => build(site, set(site, 'chamber-1', 'orificeMm', 3)),
  'chamber-not-cleanable': site => build(site, set(site, 'chamber-1', 'cleanable', false)),
  'bypass-in-filling': site => build({ ...site, climate: standInClimate('dry-summer-hill') }, moveOf('setBypass', { spout: 'spout-1', months: [11, 12] })),
  'bypass-shut-in-frost': site => build({ ...site, climate: standInClimate('cold-upland') }, moveOf('setBypass', { spout: 'spout-1', months: [12] })),
}

describe('the checks', () => {
  it('find nothing on a new site, and say what was sound', () => {
    expect(review(sound()).findings).toEqual([])
    expect(review(sound()).sound).toHaveLength(CHECKS.length)
  })

  it.each(CHECKS.map(check => check.id))('%s: is found, says why with its numbers in the site’s units, and its move mends it', (check) => {
    const faulty = FAULTS[check]!(sound())
    const found = review(faulty).findings.filter(finding => finding.check === check)
    expect(found.length).toBeGreaterThan(0)
    const finding = found[0]!
    for (const system of ['metric', 'us', 'imperial'] as const) {
      expect(phraseText(finding.sentence, system)).toMatch(/\.$/)
      expect(phraseText(finding.why, system)).not.toMatch(/NaN|undefined|Infinity/)
    }
    if (!finding.mend) return
    const mended = applyMove(faulty, finding.mend.move)
    expect(mended).toMatchObject({ ok: true })
    if (mended.ok) expect(review(mended.site).findings.map(other => other.id)).not.toContain(finding.id)
  })

  it('put the worst first', () => {
    const site = build(sound(), set(sound(), 'tank-2', 'lightTight', false), set(sound(), 'tank-1', 'ventMm', 0))
    expect(review(site).findings.map(finding => finding.severity)).toEqual(['wrong', 'look'])
  })

  it('hold on an empty site and on any site that can be built, and every mend can be made', () => {
    expect(review(blank()).findings).toEqual([])
    fc.assert(fc.property(arbitrarySite, (site) => {
      const { findings } = review(site)
      expect(new Set(findings.map(finding => finding.id)).size).toBe(findings.length)
      for (const { mend, answers = [] } of findings) for (const { move } of mend ? [mend, ...answers] : answers) expect(applyMove(site, move)).toMatchObject({ ok: true })
    }), { numRuns: 100 })
  })
})
