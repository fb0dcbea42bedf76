import { expect, it } from 'vitest'
import { valveCard } from './valveCard'
import { demoSite } from '../../tests/demoSites'
import { handValves } from '../network'
import { applyMove, moveOf } from '../moves'

it('the card has a row, a mark in each mode and a tag for every hand valve, and lets no name be more than a name', () => {
  const site = demoSite('quillfern-ridge')
  const made = applyMove(site, moveOf('renameMode', { mode: 'usual', name: '<script>x</script> & "so"' }))
  if (!made.ok) throw new Error('not renamed')
  const svg = valveCard(made.site)
  const count = (what: RegExp) => svg.match(what)?.length ?? 0
  const valves = handValves(site).length
  expect(count(/stroke-dasharray/g)).toBe(valves)
  expect(count(/stroke="#b9ad95"/g)).toBe(valves * site.modes.length)
  expect(svg).not.toContain('<script>')
  expect(svg).toContain('&lt;script&gt;')
  expect(svg).not.toMatch(/NaN|undefined/)
})
