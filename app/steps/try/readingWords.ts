import { nameOf, runName, type Site } from '#core/site'
import type { ReadingKind, ReadingPlace } from '#core/plant'
import type { Kind } from '#core/units'

/** How each reading is asked for, and in what it is told. */
const WORDS: Record<ReadingKind, { kind: Kind | 'yes'; asks: (name: string) => string }> = {
  still: { kind: 'pressure', asks: name => `gauge at ${name}, an hour after all taps were shut` },
  running: { kind: 'pressure', asks: name => `gauge at ${name}, three minutes into an open tap` },
  starts: { kind: 'count', asks: name => `starts in an hour of the pump of “${name}”, a tap a third open` },
  can: { kind: 'flow', asks: name => `${name} alone into a can` },
  falls: { kind: 'length', asks: name => `fall of ${name} in an hour, all taps shut` },
  spills: { kind: 'yes', asks: name => `${name} runs over without rain` },
  chamber: { kind: 'share', asks: name => `${name}, still full a day after rain` },
}

export interface Asked {
  id: string
  words: string
  kind: Kind | 'yes'
}

export function askedOf(site: Site, { id, kind, at }: ReadingPlace): Asked {
  const run = site.runs.find(each => each.id === at)
  const name = run ? runName(site, run) : nameOf(site, at)
  return { id, words: WORDS[kind].asks(name), kind: WORDS[kind].kind }
}
