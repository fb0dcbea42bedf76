import { describe, expect, it } from 'vitest'
import type { SiteNode } from '../../core/kinds'
import { NODE_KINDS } from '../../core/kinds/nodes'
import { applyMove, moveOf } from '../../core/moves'
import { nameOf, readSite, type Site } from '../../core/site'
import { demoSite } from '../demoSites'
import { worksThrough } from './worksThrough'

/** A kind of node that nobody has, at the end of a line from a tank of every demo site: whoever reads nodes meets it. */
function vented(site: Site): Site {
  const tank = site.nodes.find(({ kind }) => kind === 'tank')!
  const node = {
    id: 'vent-1',
    kind: 'vent',
    name: 'High vent',
    baseM: tank.baseM + 0.5,
    groundM: tank.groundM,
    boreMm: 50,
  }
  const joint: SiteNode = { id: 'tee-1', kind: 'joint', name: 'Tee', baseM: tank.baseM + 0.2, groundM: tank.groundM }
  const pipe = (id: string) => ({ id, kind: 'pipe' as const, lengthM: 2, innerDiameterMm: 40, roughnessMm: 0.0015 })
  return {
    ...site,
    nodes: [...site.nodes, joint, node as unknown as SiteNode],
    runs: [
      ...site.runs,
      {
        id: 'to-tee',
        from: { node: tank.id, port: 'outlet' },
        to: { node: 'tee-1', port: 'in' },
        parts: [pipe('p-1')],
      },
      { id: 'to-vent', from: { node: 'tee-1', port: 'out' }, to: { node: 'vent-1', port: 'in' }, parts: [pipe('p-2')] },
    ],
  }
}

describe.each(['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const)('a made-up node in %s', name => {
  const site = vented(demoSite(name))
  it('is read, named, and runs through all that reads a site', () => {
    expect(Object.keys(NODE_KINDS)).toContain('vent')
    const read = readSite(JSON.parse(JSON.stringify(site)))
    expect(read.ok || read.problems).toBe(true)
    expect(nameOf(site, 'vent-1')).toBe('High vent')
    worksThrough(site)
  })
  it('is moved, raised and taken out like any other', () => {
    const raised = applyMove(site, moveOf('setHeight', { node: 'vent-1', baseM: 3 }))
    expect(raised.ok && raised.site.nodes.find(({ id }) => id === 'vent-1')!.baseM).toBe(3)
    const gone = applyMove(site, moveOf('remove', { id: 'vent-1' }))
    expect(gone.ok && gone.site.nodes.some(({ id }) => id === 'vent-1')).toBe(false)
  })
})
