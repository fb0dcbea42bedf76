import { describe, expect, it } from 'vitest'
import { buildOf } from '../../core/build'
import type { NewPart } from '../../core/kinds'
import { PART_KIND_IDS } from '../../core/kinds/parts'
import { applyMove, moveOf } from '../../core/moves'
import { momentWith, partsAlong, partsOffered, tapsOf } from '../../core/network'
import { feedsOf, readSite, type Site } from '../../core/site'
import { demoSite } from '../demoSites'
import { worksThrough } from './worksThrough'

/** A kind of part that nobody has, in every line of every demo site: whoever reads lines meets it. */
const strainer = { kind: 'strainer', boreMm: 40 } as unknown as NewPart
function strained(site: Site): Site {
  return site.runs.reduce((now, run) => {
    const made = applyMove(
      now,
      moveOf('insertPart', { run: run.id, before: run.parts[0]?.id, part: strainer as never }),
    )
    if (!made.ok) throw new Error(made.problems[0]!.sentence)
    return made.site
  }, site)
}
const DEMOS = ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const
const countOf = (site: Site) =>
  site.runs.flatMap(({ parts }) => parts).filter(({ kind }) => (kind as string) === 'strainer').length

describe.each(DEMOS)('a made-up part in %s', name => {
  const site = strained(demoSite(name))
  it('is there, is read, and runs through all that reads a site', () => {
    expect(PART_KIND_IDS as readonly string[]).toContain('strainer')
    expect(countOf(site)).toBe(site.runs.length)
    expect(readSite(JSON.parse(JSON.stringify(site)))).toMatchObject({ ok: true })
    worksThrough(site)
  })
  it('costs what its row says where water flows, is offered, and is bought', () => {
    const open = tapsOf(site).map(({ id }) => id)
    const before = momentWith(demoSite(name), open, 'full')
    const now = momentWith(site, open, 'full')
    expect([before.converged, now.converged]).toEqual([true, true])
    const along = site.runs.flatMap(run => partsAlong(site, run, now))
    for (const { part, lossM, flowLps } of along)
      if ((part.kind as string) === 'strainer') expect(lossM > 0).toBe(Math.abs(flowLps) > 1e-6)
    expect(partsOffered(site, site.runs[0]!).map(each => each.name)).toContain('strainer')
    const bought = buildOf(site).parts.filter(({ what }) => what === 'strainer')
    expect(bought.reduce((sum, { count }) => sum + count, 0)).toBe(countOf(site))
  })
  it('stays through the moves about it: lifted another way, moved, replaced, taken out', () => {
    for (const feed of feedsOf(site)) {
      const trunk = feed.trunk[0]!
      const own = feed.trunk.flatMap(run => run.parts).filter(({ kind }) => (kind as string) === 'strainer').length
      for (const by of ['gravity', 'jet', 'on-demand', 'variable-speed'] as const) {
        const made = applyMove(site, moveOf('liftBy', { run: trunk.id, by }))
        if (made.ok) expect(countOf(made.site), `${trunk.id} by ${by}`).toBeGreaterThanOrEqual(countOf(site) - own + 1)
      }
    }
    const [run] = site.runs
    const [part] = run!.parts
    const moved = applyMove(site, moveOf('movePart', { part: part!.id }))
    expect(moved.ok && moved.site.runs[0]!.parts.at(-1)!.id).toBe(part!.id)
    const gone = applyMove(site, moveOf('remove', { id: part!.id }))
    expect(gone.ok && countOf(gone.site)).toBe(countOf(site) - 1)
  })
})
