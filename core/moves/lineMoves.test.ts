import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, refusal } from '../../tests/sites'
import { moveOf } from './registry'
import { type Site, spoutAreaM2, nodeById, lineFrom, spoutsAbove } from '../site'

const barn = (eavesM = 3) =>
  build(
    plainTank(blank(), 'A'),
    moveOf('addRoof', { name: 'Barn', lengthM: 8, widthM: 5, material: 'steel', eavesM, tank: 'tank-1' }),
  )
const partsOf = (site: Site, spout = 'spout-1') => lineFrom(site, spout).flatMap(run => run.parts)

describe('moves along the line', () => {
  it(
    'a low way goes by a joint with a shut, screened drain, the tank’s basket stays at the tank; a second one is ' +
      'refused',
    () => {
      const site = build(barn(), moveOf('dipLine', { spout: 'spout-1', lowM: -0.4 }))
      expect(lineFrom(site, 'spout-1').map(run => run.to.node)).toEqual(['joint-1', 'tank-1'])
      expect(lineFrom(site, 'spout-1').at(-1)!.parts.at(-1)).toMatchObject({ kind: 'screen', type: 'inlet' })
      const drain = site.runs.find(run => run.to.node.startsWith('outfall') && run.from.node === 'joint-1')!
      expect(drain.parts[0]).toMatchObject({ kind: 'valve', open: false })
      expect(refusal(site, moveOf('dipLine', { spout: 'spout-1', lowM: -1 }))).toContain(
        'a joint before the tank already',
      )
      expect(refusal(barn(), moveOf('dipLine', { spout: 'spout-1', lowM: 2 }))).toContain(
        'must lie below the tank’s inlet',
      )
    },
  )
  it('two spouts share one line to the tank, once; taking one out leaves the other', () => {
    const two = build(barn(), moveOf('addSpout', { roof: 'roof-1', tank: 'tank-1' }))
    const joined = build(two, moveOf('joinSpouts', { spout: 'spout-2', into: 'spout-1' }))
    expect(lineFrom(joined, 'spout-1').at(-1)).toBe(lineFrom(joined, 'spout-2').at(-1))
    expect([...spoutsAbove(joined, 'tank-1')].map(spout => spout.id)).toEqual(['spout-1', 'spout-2'])
    expect(refusal(joined, moveOf('joinSpouts', { spout: 'spout-2', into: 'spout-1' }))).toContain('already')
    expect(refusal(joined, moveOf('joinSpouts', { spout: 'spout-1', into: 'spout-1' }))).toContain('into itself')
    const both = build(joined, moveOf('fitFirstFlush', { spout: 'spout-1', at: 'line', depthMm: 1 }))
    expect(lineFrom(both, 'spout-2').map(run => run.to.node)).toEqual(['joint-1', 'chamber-1', 'tank-1'])
    expect(refusal(both, moveOf('fitFirstFlush', { spout: 'spout-2' }))).toContain('has a chamber already')
    const without = build(both, moveOf('remove', { id: 'spout-2' }))
    expect(lineFrom(without, 'spout-1').map(run => run.to.node)).toEqual(['joint-1', 'chamber-1', 'tank-1'])
    expect(without.roofs[0]!.spouts.map(spout => spout.nodeId)).toEqual(['spout-1'])
    const gone = build(both, moveOf('remove', { id: 'roof-1' }))
    expect(gone.nodes.map(node => node.kind)).not.toContain('joint')
    expect(gone.nodes.map(node => node.kind)).not.toContain('chamber')
  })
  it('a screen of a kind stands once, at its place, and can be taken out', () => {
    const site = build(
      barn(),
      moveOf('fitScreen', { spout: 'spout-1', type: 'spout' }),
      moveOf('fitScreen', { spout: 'spout-1', type: 'spout' }),
    )
    expect(partsOf(site).map(part => (part.kind === 'screen' ? part.type : part.kind))).toEqual([
      'spout',
      'pipe',
      'inlet',
    ])
    expect(
      partsOf(build(site, moveOf('takeOutScreen', { spout: 'spout-1', type: 'inlet' }))).filter(
        part => part.kind === 'screen',
      ),
    ).toHaveLength(1)
  })
  it('a screen head hangs between its ground and the gutter’s outlet, and at the spout again', () => {
    const fitted = build(barn(), moveOf('fitScreen', { spout: 'spout-1', type: 'spout' }))
    const hang = (atM?: number) => moveOf('hangScreen', { spout: 'spout-1', atM })
    expect(refusal(barn(), hang(1.5))).toContain('has no screen head yet')
    expect(refusal(fitted, hang(9))).toMatch(/at most [\d.]+ m, where the gutter’s outlet is/)
    expect(refusal(fitted, hang(0))).toContain('where the ground is')
    const hung = build(fitted, hang(1.5))
    expect(partsOf(hung)[0]).toMatchObject({ type: 'spout', hangsAtM: 1.5 })
    expect(build(hung, hang())).toEqual(fitted)
    // A chamber that is fitted later hangs under it.
    const chamber = nodeById(build(hung, moveOf('fitFirstFlush', { spout: 'spout-1' })), 'chamber-1')
    expect(chamber.kind === 'chamber' && chamber.baseM + chamber.heightM).toBeLessThanOrEqual(1.2)
  })
  it('a by-pass has its months in order, a flap unless said, and gates stay gates', () => {
    const spout = (site: Site) => nodeById(site, 'spout-1')
    const site = build(barn(), moveOf('setBypass', { spout: 'spout-1', months: [12, 1, 12] }))
    expect(spout(site)).toMatchObject({ bypassMonths: [1, 12], bypassBy: 'flap' })
    expect(
      spout(
        build(
          site,
          moveOf('setBypass', { spout: 'spout-1', by: 'gate' }),
          moveOf('setBypass', { spout: 'spout-1', whenFull: true }),
        ),
      ),
    ).toMatchObject({ bypassBy: 'gate', bypassWhenFull: true, bypassMonths: [1, 12] })
  })
  it('several roofs drain to one spout', () => {
    const site = build(
      barn(),
      moveOf('addRoof', { name: 'Lean-to', lengthM: 4, widthM: 3, material: 'slate', tank: 'tank-1' }),
      moveOf('giveShare', { spout: 'spout-1', roof: 'roof-2' }),
    )
    expect(site.roofs[1]!.spouts.map(spout => [spout.nodeId, spout.share])).toEqual([
      ['spout-2', 0.5],
      ['spout-1', 0.5],
    ])
    expect(spoutAreaM2(site, 'spout-1')).toBe(46)
  })
})
