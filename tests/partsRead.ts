import type { Site, SitePart } from '../core/site'

/** Thrown where a part of a document is looked into that was not to be read. */
export class WasRead extends Error {
  constructor(readonly part: SitePart) {
    super(`${part} was read`)
  }
}

/** A part that says so where it is looked into. It may be handed on, as a copy of a document does. */
const poison = (part: SitePart, shape: object): object =>
  new Proxy(Array.isArray(shape) ? [] : {}, {
    get(_, key) {
      // Whether something is a draft is asked of everything, and is no reading.
      if (typeof key === 'symbol' && key !== Symbol.iterator) return undefined
      throw new WasRead(part)
    },
    has() {
      throw new WasRead(part)
    },
    ownKeys() {
      throw new WasRead(part)
    },
  })

/** Parts that a document may have and need not. */
const OPTIONAL: Partial<Site> = {
  power: {},
  prices: [],
  found: [],
  pins: [],
  build: {},
  chores: [],
  devices: [],
  log: [],
} as Partial<Site>

/**
 * A document of which only some parts can be read: of the others, a list or a record throws
 * when it is looked into, and a word or a number is not there.
 */
export function onlyWith(site: Site, of: readonly SitePart[]): Site {
  const whole = { ...OPTIONAL, ...site } as Record<string, unknown>
  const parts = Object.entries(whole).flatMap(([part, value]) => {
    if ((of as readonly string[]).includes(part)) return [[part, site[part as SitePart]]]
    return typeof value === 'object' && value !== null ? [[part, poison(part as SitePart, value)]] : []
  })
  return Object.fromEntries(parts) as Site
}

/** The lists and records of a document that something reads, found by taking away what it was not seen to read. */
export function partsRead(site: Site, run: (site: Site) => unknown): SitePart[] {
  const read: SitePart[] = []
  for (;;) {
    try {
      run(onlyWith(site, read))
      return read
    } catch (error) {
      if (!(error instanceof WasRead)) throw error
      if (read.includes(error.part)) throw new Error(`${error.part} is kept from a document before`, { cause: error })
      read.push(error.part)
    }
  }
}
