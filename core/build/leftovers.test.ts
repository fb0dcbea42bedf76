import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { sum } from 'd3-array'
import { byLine, cutFromOwn, cutList, cutSheets, gateOf, holesOf, substitutesOf, takeOff, toBuy, totalOf } from '.'
import { moveOf, setField } from '../moves'
import { portId, tanksOf } from '../site'
import type { NewPart } from '../kinds'
import { demoSite } from '../../tests/demoSites'
import { arbitrarySite, build } from '../../tests/sites'
import { tankAt, tapAt, worksOf } from '../../tests/waterworks'

const bought = (stocks: readonly { stockM: number; own?: true }[]) =>
  sum(stocks, ({ stockM, own }) => (own ? 0 : stockM))

describe('lengths that are there already', () => {
  it('are cut from first, and only what does not fit is bought', () => {
    const made = cutFromOwn([1.2, 0.9, 2.4], [3], [1.25, 2], 3)!
    expect(made.stocks.map(({ stockM, piecesM, own }) => [own ?? false, stockM, piecesM])).toEqual([
      [true, 1.25, [1.2]],
      [true, 2, [0.9]],
      [false, 3, [2.4]],
    ])
  })
  it('let a piece be cut that is longer than anything sold', () => {
    expect(cutFromOwn([4.1], [3], [5], 3)!.stocks).toMatchObject([{ stockM: 5, own: true }])
    expect(cutFromOwn([4.1], [3], [4], 3)).toBeUndefined()
  })
  it('never make more be bought; every piece is cut once, and fits what it is cut from', () => {
    const metres = fc.integer({ min: 50, max: 2900 }).map(mm => mm / 1000)
    fc.assert(
      fc.property(fc.array(metres, { maxLength: 14 }), fc.array(metres, { maxLength: 6 }), (pieces, own) => {
        const made = cutFromOwn(pieces, [3], own, 3)!
        expect(bought(made.stocks)).toBeLessThanOrEqual(bought(cutList(pieces, [3], 3)!.stocks) + 1e-9)
        const sorted = (all: readonly number[]) => all.map(each => Math.round(each * 1e4)).sort((a, b) => a - b)
        expect(sorted(made.stocks.flatMap(({ piecesM }) => piecesM))).toEqual(sorted(pieces))
        for (const { stockM, piecesM, wasteM } of made.stocks)
          expect(sum(piecesM) + 0.003 * (piecesM.length - 1) + wasteM).toBeLessThanOrEqual(stockM + 1e-6)
        const used = made.stocks.filter(stock => stock.own).map(({ stockM }) => stockM)
        for (const each of new Set(used))
          expect(used.filter(length => length === each).length).toBeLessThanOrEqual(
            own.filter(length => length === each).length,
          )
      }),
      { numRuns: 200 },
    )
  })
})

describe('pieces that are cut', () => {
  it('leave the list, and what is left over is there for the next', () => {
    const site = demoSite('quillfern-ridge')
    const sheet = cutSheets(site).find(({ stocks }) => stocks.length > 1)!
    const [first] = sheet.stocks
    const taken = sheet.pieces.find(({ cutM }) => Math.abs(cutM - first!.piecesM[0]!) < 1e-3)!
    const cut = build(
      site,
      moveOf('cutPieces', { pipe: sheet.pipe, pieces: [taken.id], usedM: [], leftM: [first!.wasteM] }),
    )
    const after = cutSheets(cut).find(({ pipe }) => pipe === sheet.pipe)!
    expect(after.done.map(({ id }) => id)).toEqual([taken.id])
    expect(after.pieces).toHaveLength(sheet.pieces.length - 1)
    expect(bought(after.stocks)).toBeLessThanOrEqual(bought(sheet.stocks))
    const back = build(cut, moveOf('cutAgain', { pieces: [taken.id] }))
    expect(cutSheets(back).find(({ pipe }) => pipe === sheet.pipe)!.done).toEqual([])
  })
})

describe('the list', () => {
  it('by line adds up to the list by trip, but for what is sold whole', () => {
    const site = demoSite('quillfern-ridge')
    const lines = byLine(site)
    for (const item of takeOff(site).filter(({ group }) => group !== 'pipes')) {
      const count = sum(
        lines.flatMap(({ things }) => things.filter(({ id }) => id === item.id)),
        thing => thing.count,
      )
      expect([item.id, item.count - count >= -1e-9, item.count - count < 1.1]).toEqual([item.id, true, true])
    }
  })
  it('offers two halves of a corner where one’s own halves make them cheaper, and takes them', () => {
    const pipe: NewPart = {
      kind: 'pipe',
      lengthM: 6,
      innerDiameterMm: 26.64,
      roughnessMm: 0.0015,
      series: 'plastic-40',
    }
    const site = worksOf({ nodes: [tankAt('tank', 2), tapAt('one', 0)], runs: [['main', 'tank', 'one', [pipe]]] })
    const [corner] = toBuy(site).filter(({ id }) => id.startsWith('elbow-90'))
    expect(substitutesOf(site)).toEqual([])
    const half = corner!.id.replace('elbow-90', 'elbow-45')
    const owned = build(site, moveOf('own', { item: half, count: 4 }))
    const [offer] = substitutesOf(owned)
    expect(offer).toMatchObject({ item: { id: corner!.id }, swapped: false })
    const swapped = build(owned, moveOf('swapItem', { item: corner!.id }))
    expect(totalOf(toBuy(owned)) - totalOf(toBuy(swapped))).toBeCloseTo(offer!.saves, 2)
    expect(toBuy(swapped).find(({ id }) => id === half)).toMatchObject({ count: 4, owned: 4, toBuy: 0 })
    expect(toBuy(swapped).some(({ id }) => id === corner!.id)).toBe(false)
  })
})

describe('doing it later', () => {
  it('says where the water goes, how long it runs, the work, and how it comes back', () => {
    const site = demoSite('brindle-yard')
    const supply = gateOf(site, 6).find(({ id }) => id.startsWith('supply:'))!
    expect(supply.later[0]).toMatch(/^Stop what comes in/)
    expect(supply.later[1]).toMatch(/let [\d ]+ L run .*about \d+ (minutes|hours)|push a bung|Siphon or pump/)
    expect(supply.later.at(-1)).toMatch(/rain at this season|no rain to speak of/)
  })
  it('is told for every open thing of any site, without a figure missing', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        for (const { later } of gateOf(site, 1)) {
          expect(later.length).toBeGreaterThan(0)
          expect(later.join(' ')).not.toMatch(/NaN|Infinity|undefined/)
        }
      }),
      { numRuns: 40 },
    )
  })
})

describe('a hole', () => {
  const [tank] = tanksOf(demoSite('quillfern-ridge'))
  const faults = (site: ReturnType<typeof demoSite>, of = tank!.id) =>
    holesOf(site).flatMap(hole => (hole.tankId === of ? hole.faults : []))
  it('is found on a rib, on a seam, and above where its maker lets fittings through', () => {
    const site = demoSite('quillfern-ridge')
    const [hole] = holesOf(site).filter(({ tankId, by }) => tankId === tank!.id && by === 'bulkhead')
    const said = (field: string, value: unknown) => faults(build(site, setField('node', tank!.id, field, value)))
    expect(faults(site).join()).not.toMatch(/rib|seam|maker/)
    expect(said('ribsM', [hole!.heightM])).toContain('on a rib, where no ring seals')
    expect(said('fittingsUpToM', 0.02)).toContain('higher than its maker lets fittings through the wall')
    const placed = build(site, setField('port', portId(tank!.id, hole!.port.name), 'bearingDeg', 90))
    expect(faults(build(placed, setField('node', tank!.id, 'seamsDeg', [91])))).toContain(
      'on a seam, where the wall is uneven',
    )
  })
  it('that nobody has placed is guessed clear of a seam', () => {
    const site = build(demoSite('quillfern-ridge'), setField('node', tank!.id, 'seamsDeg', [90, 180]))
    expect(faults(site).join()).not.toMatch(/seam/)
  })
})
