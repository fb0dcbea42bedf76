import { describe, expect, it } from 'vitest'
import { largeYard } from '../../tests/largeYard'
import { demoSite } from '../../tests/demoSites'
import { isLarge, sameThings } from './large'

describe('a large site', () => {
  it('has more things than can be worked out in a blink; no demo site has', () => {
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const)
      expect(isLarge(demoSite(name)), name).toBe(false)
    expect(isLarge(largeYard(40, 60))).toBe(true)
  })
  it('holds the same things as long as nothing is put in or taken out, and it is the same site', () => {
    const site = largeYard(10, 10)
    const renamed = { ...site, name: 'Another', nodes: site.nodes.map(node => ({ ...node, baseM: node.baseM + 1 })) }
    expect(sameThings(site, renamed, ['nodes', 'runs', 'roofs', 'uses', 'options'])).toBe(true)
    expect(sameThings(site, { ...site, uses: site.uses.slice(1) }, ['nodes', 'uses'])).toBe(false)
    expect(sameThings(site, { ...site, uses: site.uses.slice(1) }, ['nodes', 'runs'])).toBe(true)
    expect(sameThings(site, { ...site, id: 'other' }, ['nodes'])).toBe(false)
  })
})
