import { describe, expect, it } from 'vitest'
import { idsOf, readSite, type Site } from '.'
import { blank, build, plainTank, withRoof } from '../../tests/sites'
import { moveOf } from '../moves'

type Loose = Record<string, never> & {
  nodes: Record<string, unknown>[]
  runs: { id: string; name?: string; from: Record<string, unknown>; to: Record<string, unknown>; parts: Loose[] }[]
  roofs: { spouts: Record<string, unknown>[]; pieces: Record<string, unknown>[] }[]
  uses: Record<string, unknown>[]
  modes: unknown[]
}
const sound = build(withRoof(plainTank(blank(), 'Oak')), moveOf('addUse', { preset: 'hens' }))
const edited = (edit: (site: Loose) => void): Loose => {
  const copy = JSON.parse(JSON.stringify(sound)) as Loose
  edit(copy)
  return copy
}
const runTo = (site: Loose, node: string) => site.runs.findIndex(run => run.to.node === node)

describe('what a document names', () => {
  it.each<[string, (site: Loose) => void, string, RegExp]>([
    [
      'a run to a node that is not there',
      site => (site.runs[0]!.to.node = 'tank-9'),
      'runs[0].to',
      /goes to “tank-9”, which is not in this site\.$/,
    ],
    [
      'a run from a port that is not there',
      site => (site.runs[0]!.from.port = 'bung'),
      'runs[0].from.port',
      /ends at “bung” of “.+”, which has no such port\.$/,
    ],
    [
      'a gutter on what is no spout',
      site => (site.roofs[0]!.spouts[0]!.nodeId = 'tank-1'),
      'roofs[0].spouts[0].nodeId',
      /“Roof” drains to “tank-1”, which is not a spout/,
    ],
    ['a use at what is no tap', site => (site.uses[0]!.at = 'tank-1'), 'uses[0].at', /is not a tap of this site/],
    [
      'a mode of a valve that is gone',
      site => site.modes.push({ id: 'winter', name: 'Winter', positions: [{ part: 'valve-9', open: false }] }),
      'modes[0].positions[0].part',
      /“Winter” sets the valve “valve-9”, which is not in this site/,
    ],
    [
      'two nodes of one id',
      site => site.nodes.push({ ...site.nodes[0]! }),
      'nodes[',
      /has the id “.+”, which “.+” has too\. Give it one of its own\.$/,
    ],
    [
      'a roof with the id of a tank',
      site => Object.assign(site.roofs[0]!, { id: 'tank-1' }),
      'roofs[0].id',
      /“Roof” has the id “tank-1”, which “Oak” has too/,
    ],
    [
      'two pieces of a roof of one id',
      site => site.roofs[0]!.pieces.push({ ...site.roofs[0]!.pieces[0]! }),
      'roofs[0].pieces[1].id',
      /A piece of “Roof” has the id/,
    ],
  ])('%s is refused at its place, in words', (_, edit, path, sentence) => {
    const read = readSite(edited(edit))
    if (read.ok) throw new Error('it was read')
    const found = read.problems.find(problem => problem.path.startsWith(path))
    expect(found?.sentence ?? JSON.stringify(read.problems)).toMatch(sentence)
  })
  it('a mode that sets what is no valve is refused, and says what it is', () => {
    const read = readSite(
      edited(site => {
        const run = site.runs[runTo(site, 'tank-1')]!
        run.parts.push({ id: 'part-x', kind: 'union', boreMm: 50 } as never)
        site.modes.push({ id: 'm', name: 'Winter', positions: [{ part: 'part-x', open: true }] })
      }),
    )
    expect(read).toMatchObject({ ok: false, problems: [{ path: 'modes[0].positions[0].part' }] })
    if (!read.ok) expect(read.problems[0]!.sentence).toContain('which is a union and no valve')
  })
  it('every stray one is told, not the first alone', () => {
    const read = readSite(
      edited(site => {
        site.runs[0]!.to.node = 'nowhere'
        site.uses[0]!.at = 'nowhere'
      }),
    )
    expect(read.ok ? [] : read.problems.map(problem => problem.path)).toEqual(['runs[0].to', 'uses[0].at'])
  })
  it('is sound as moves made it, with an id for every thing', () => {
    const read = readSite(JSON.parse(JSON.stringify(sound)))
    expect(read).toMatchObject({ ok: true })
    const ids = [...idsOf(sound as Site)]
    expect(new Set(ids).size).toBe(ids.length)
    for (const id of ['tank-1', 'roof-1', 'spout-1', 'use-1']) expect(ids).toContain(id)
  })
})
