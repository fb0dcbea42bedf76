import { IMPERIAL_GALLON_L, US_GALLON_L } from '#core/units'
import { graphOf, nameOf, runName, type Site } from '#core/site'
import { tapsOf } from '#core/network'
import type { ProbeKind, ReadingPlace } from '#core/plant'
import type { Kind, System } from '#core/units'

/** A can that stands in the yard, L, and what it is called. */
const CANS: Record<System, { litres: number; name: string }> = {
  metric: { litres: 10, name: '10 L' },
  us: { litres: 3 * US_GALLON_L, name: '3 US gal' },
  imperial: { litres: 2 * IMPERIAL_GALLON_L, name: '2 imp gal' },
}

/** How each reading is asked for, of what is read and of the tap that is opened for it; and in what it is told. */
const WORDS: Record<ProbeKind, { kind: Kind | 'yes'; asks: (name: string, tap: string, can: string) => string }> = {
  still: { kind: 'pressure', asks: name => `gauge at ${name}, an hour after all taps were shut` },
  running: { kind: 'pressure', asks: (name, tap) => `gauge at ${name}, with ${tap} open for three minutes` },
  starts: {
    kind: 'count',
    asks: (name, tap) => `starts in an hour of the pump of “${name}”, with ${tap} a third open`,
  },
  can: { kind: 'count', asks: (name, _tap, can) => `seconds until ${name}, alone, has filled a can of ${can}` },
  falls: { kind: 'length', asks: name => `fall of ${name} in an hour, all taps shut` },
  spills: { kind: 'yes', asks: name => `${name} runs over without rain` },
  chamber: { kind: 'share', asks: name => `how full ${name} is, a day after rain` },
}

export interface ReadingPrompt {
  id: string
  words: string
  kind: Kind | 'yes'
  /** What a person writes down for a reading, and the reading of what they wrote. */
  written: (taken: number) => number
  taken: (written: number) => number
}

const asItIs = (value: number): number => value

export function askedOf(site: Site, { id, kind, at }: ReadingPlace): ReadingPrompt {
  const run = graphOf(site).run(at)
  const name = run ? runName(site, run) : nameOf(site, at)
  const [first] = tapsOf(site)
  const can = CANS[site.standards.units]
  // A watch tells seconds; what flows is the can over them, and the same the other way round.
  const overCan = (value: number): number => (value > 0 ? can.litres / value : 0)
  const convert = kind === 'can' ? overCan : asItIs
  return {
    id,
    words: WORDS[kind].asks(name, first ? nameOf(site, first.id) : 'a tap', can.name),
    kind: WORDS[kind].kind,
    written: convert,
    taken: convert,
  }
}
