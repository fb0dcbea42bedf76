import { boreMm } from './loss'
import { graphOf, roleOf, type Run, type Site } from '../site'
import { offeredParts, PART_KINDS, type NewPart, type OfferedIn, type Part } from '../kinds'

/**
 * A part that makes sense in a line; where one is missing, why, the check that finds it so, and the part that it belongs
 * before.
 */
export interface Offered {
  name: string
  part: NewPart
  missing?: string
  foundBy?: string
  before?: string
}

/** What a part that is offered is called: of cartridges, which. */
const named = (part: NewPart): string =>
  part.kind === 'filter' && part.medium === 'carbon' ? 'carbon filter' : PART_KINDS[part.kind].name

/** Parts that make sense in a line, those that are missing first. */
export function partsOffered(site: Site, run: Run): Offered[] {
  const graph = graphOf(site)
  const [from, to] = [graph.node(run.from.node), graph.node(run.to.node)]
  const bore = boreMm(run)
  const has = (kind: Part['kind']) => run.parts.some(part => part.kind === kind)
  const pumpAt = run.parts.findIndex(part => part.kind === 'pump')
  const behindPump = run.parts[pumpAt + 1]?.id
  const [first] = run.parts
  const fromTank = from?.kind === 'tank' && ['outlet', 'fire', 'link', 'drain'].includes(roleOf(site, run.from) ?? '')
  const intoTank = to?.kind === 'tank'
  const offered = offeredParts(bore)
  const make = (kind: Part['kind']): NewPart => offered.find(({ part }) => part.kind === kind)!.part
  const wants = (foundBy: string, part: NewPart, missing: string, before?: string): Offered => ({
    name: named(part),
    part,
    missing,
    foundBy,
    ...(before === undefined ? {} : { before }),
  })
  const missing: Offered[] = [
    ...(pumpAt >= 0 && !has('check')
      ? [wants('check-missing', make('check'), 'water runs back once the pump stops', behindPump)]
      : []),
    ...(fromTank && first?.kind !== 'valve'
      ? [wants('supply-unfitted', make('valve'), 'nothing shuts this line off at the tank', first?.id)]
      : []),
    ...(intoTank && from?.kind === 'main' && !has('float')
      ? [wants('float-missing', make('float'), 'nothing stops the main once the tank is full')]
      : []),
    ...(pumpAt >= 0 && !has('union')
      ? [wants('rigid-at-pump', make('union'), 'the pump does not come out without a saw', behindPump)]
      : []),
    ...(fromTank && run.parts.slice(0, Math.max(0, pumpAt)).some(part => part.kind === 'pipe') && !has('flexible')
      ? [wants('rigid-at-pump', make('flexible'), 'a rigid pipe cracks as the tank swells', run.parts[pumpAt]?.id)]
      : []),
  ]
  const fits: Record<OfferedIn, (kind: Part['kind']) => boolean> = {
    'any line': () => true,
    'a line into a tank': kind => intoTank && !has(kind),
    'a line with a pump': kind => pumpAt >= 0 && !has(kind),
    'a line to taps': () => !intoTank,
  }
  const may = offered.flatMap(({ in: where, part }) => (fits[where](part.kind) ? [part] : []))
  const said = new Set(missing.map(({ name }) => name))
  return [...missing, ...may.flatMap(part => (!said.has(named(part)) ? [{ name: named(part), part }] : []))]
}
