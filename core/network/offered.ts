import { boreMm } from './loss'
import { graphOf, roleOf, type Run, type Site } from '../site'
import { PART_KINDS, type NewPart, type Part } from '../kinds'

/** A part that makes sense in a line; where one is missing, why, and the part that it belongs before. */
export interface Offered {
  name: string
  part: NewPart
  missing?: string
  before?: string
}

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
  const made = {
    valve: { kind: 'valve', boreMm: bore, open: true },
    check: { kind: 'check', boreMm: bore },
    union: { kind: 'union', boreMm: bore },
    flexible: { kind: 'flexible', lengthM: 0.5, innerDiameterMm: bore },
    float: { kind: 'float', boreMm: bore },
    relief: { kind: 'relief', setKPa: 600 },
    meter: { kind: 'meter', boreMm: bore },
    filter: { kind: 'filter', ratingUm: 20, medium: 'sediment' },
    carbon: { kind: 'filter', ratingUm: 5, medium: 'carbon' },
    lamp: { kind: 'lamp', ratedLps: 0.3, sensor: true },
    screen: { kind: 'screen', meshMm: 1, type: 'line' },
    pipe: { kind: 'pipe', lengthM: 1, innerDiameterMm: bore, roughnessMm: 0.0015, guessed: true },
  } satisfies Record<string, NewPart>
  const named = (part: NewPart): string =>
    part.kind === 'filter' && part.medium === 'carbon' ? 'carbon filter' : PART_KINDS[part.kind].name
  const wants = (part: NewPart, missing: string, before?: string): Offered => ({
    name: named(part),
    part,
    missing,
    ...(before === undefined ? {} : { before }),
  })
  const missing: Offered[] = [
    ...(pumpAt >= 0 && !has('check') ? [wants(made.check, 'water runs back once the pump stops', behindPump)] : []),
    ...(fromTank && first?.kind !== 'valve'
      ? [wants(made.valve, 'nothing shuts this line off at the tank', first?.id)]
      : []),
    ...(intoTank && from?.kind === 'main' && !has('float')
      ? [wants(made.float, 'nothing stops the main once the tank is full')]
      : []),
    ...(pumpAt >= 0 && !has('union')
      ? [wants(made.union, 'the pump does not come out without a saw', behindPump)]
      : []),
    ...(fromTank && pumpAt > 0 && !has('flexible')
      ? [wants(made.flexible, 'a rigid pipe cracks as the tank swells', run.parts[pumpAt]?.id)]
      : []),
  ]
  const may: (NewPart | undefined)[] = [
    made.valve,
    made.check,
    made.union,
    made.pipe,
    made.flexible,
    made.meter,
    made.screen,
    intoTank && !has('float') ? made.float : undefined,
    pumpAt >= 0 && !has('relief') ? made.relief : undefined,
    intoTank ? undefined : made.filter,
    intoTank ? undefined : made.carbon,
    intoTank ? undefined : made.lamp,
  ]
  const said = new Set(missing.map(({ name }) => name))
  return [...missing, ...may.flatMap(part => (part && !said.has(named(part)) ? [{ name: named(part), part }] : []))]
}
