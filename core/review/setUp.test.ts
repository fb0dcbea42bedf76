import { describe, expect, it } from 'vitest'
import { review } from './review'
import { offeredMoves } from '../../tests/offeredMoves'
import { sound } from '../../tests/soundSite'
import { setUp } from '../../tests/sites'
import { applyMove, newSite, standInClimate, type NewSiteAnswers } from '../moves'
import { CLIMATE_IDS, CLIMATES } from '../catalog'
import type { Move, Site } from '../site'

const about = ({ check, subject: { kind, id } }: { check: string; subject: { kind: string; id: string } }) =>
  `${check} ${kind} ${id}`

/** What somebody chooses, and what follows is told: a tank lifted or buried, no pump, a tap where little comes. */
const isChosen = ({ name, args }: Move, check: string): boolean =>
  (name === 'standOn' && ['stand', 'buried'].includes(String(args.base))) ||
  (name === 'liftBy' && args.by === 'gravity' && check === 'tap-weak') ||
  // A hose on a tank’s foot gives what the tank’s height gives.
  ((name === 'addTap' || (name === 'addUse' && args.preset === 'washdown')) && check === 'tap-weak')

describe('what a move sets up', () => {
  it.each<[string, () => Site]>([
    ['a house', sound],
    ['a garden in US sizes', () => setUp('wet-town', [{ preset: 'beds', count: 15 }], { units: 'us' })],
  ])('is not wrong of its own making: %s, every move as the Sheets offer it', (_, made) => {
    const site = made()
    const known = new Set(review(site).findings.map(about))
    const wrong: string[] = []
    let moved = 0
    for (const move of offeredMoves(site)) {
      const then = applyMove(site, move)
      if (!then.ok) continue
      moved++
      for (const finding of review(then.site).findings)
        if (finding.severity === 'wrong' && !known.has(about(finding)) && !isChosen(move, finding.check))
          wrong.push(`${move.name} ${JSON.stringify(move.args)}: ${finding.id}`)
    }
    expect(wrong).toEqual([])
    expect(moved).toBeGreaterThan(150)
  })
})

/** What the place and the wish bring, whatever is set up: frost, a dry year, a roof too small for what is asked. */
const OF_THE_PLACE = [
  'line-freezes',
  'tank-freezes',
  'spills-more-than-keeps',
  'asks-more-than-comes',
  'short-too-often',
  'never-fills',
]
const PURPOSES: NewSiteAnswers['uses'][] = [
  [{ preset: 'beds', count: 20 }],
  [
    { preset: 'kitchen', count: 3 },
    { preset: 'flush', count: 3 },
  ],
  [{ preset: 'cattle', count: 4 }],
  [
    { preset: 'basin', count: 3 },
    { preset: 'washdown', count: 1 },
  ],
]
const WATERS: Pick<NewSiteAnswers, 'roof' | 'source'>[] = [
  { roof: { name: 'Roof', lengthM: 9, widthM: 7, material: 'steel' } },
  { source: 'well' },
  { source: 'main' },
  { source: 'cart' },
]

describe('a new site', () => {
  it('stands clean, whatever its water, its use and its units: only the place and the wish are told of', () => {
    const told: string[] = []
    let [clean, all] = [0, 0]
    for (const climate of CLIMATE_IDS)
      for (const uses of PURPOSES)
        for (const units of ['metric', 'us'] as const)
          for (const water of WATERS) {
            const { latitudeDeg, altitudeM } = CLIMATES[climate]
            const place = { latitudeDeg, altitudeM }
            const made = newSite({ id: 'n', name: 'N', units, climate: standInClimate(climate), place, uses, ...water })
            if (!made.ok) throw new Error(`${climate} is not set up`)
            const { findings } = review(made.site)
            all++
            if (!findings.length) clean++
            for (const { id, check } of findings)
              if (!OF_THE_PLACE.includes(check))
                told.push(`${climate} ${units} ${JSON.stringify(water)} ${uses[0]!.preset}: ${id}`)
          }
    console.info(`new sites: ${all}, with nothing found: ${clean}`)
    expect(told.slice(0, 5)).toEqual([])
  })
})
