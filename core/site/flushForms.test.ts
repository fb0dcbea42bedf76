import { describe, expect, it } from 'vitest'
import { blank, build } from '../../tests/sites'
import { flushForms } from './flushForms'
import { moveOf } from '../moves'
import { flushDrumsSold, standpipesSold } from '../catalog'

const withUnits = (units: 'metric' | 'us' | 'imperial') => ({
  ...blank(),
  standards: { ...blank().standards, units },
})
const row = (site: ReturnType<typeof blank>, volumeL: number, id: string) =>
  flushForms(site, volumeL).find(form => form.id === id)!

describe('what a first flush can be made of', () => {
  it('is what is sold there: pipe by its trade size, drums in round figures', () => {
    expect(standpipesSold('us').map(pipe => pipe.innerDiameterMm)).toEqual([102.26, 154.05, 202.72])
    const holds = (units: 'metric' | 'us' | 'imperial', litres: number) =>
      flushDrumsSold(units).map(
        ({ innerDiameterMm, heightM }) => (Math.PI * (innerDiameterMm / 2000) ** 2 * heightM * 1000) / litres,
      )
    for (const [units, litres, sizes] of [
      ['us', 3.785411784, [5, 15, 30, 55]],
      ['imperial', 4.54609, [5, 10, 25, 45]],
      ['metric', 1, [30, 60, 120, 200]],
    ] as const)
      holds(units, litres).forEach((size, at) => expect(size / sizes[at]!, `${units} ${sizes[at]}`).toBeCloseTo(1, 1))
  })
  it('is counted in whole lengths, with its cap, ball and tee', () => {
    // 40 L stand 4.71 m tall in 104 mm: two lengths of 3 m.
    expect(row(blank(), 40, 'standpipe-104')).toMatchObject({
      heightM: expect.closeTo(0.04 / (Math.PI * 0.052 ** 2), 9),
      litresPerM: expect.closeTo(8.4949, 3),
      lengths: 2,
      comesTo: 2 * 27 + 22,
      said: false,
      held: true,
    })
    // Ten feet cost as much a metre as three metres do.
    const [us, metric] = [row(withUnits('us'), 10, 'standpipe-102'), row(blank(), 10, 'standpipe-104')]
    expect(us.price / us.soldInM!).toBeCloseTo(metric.price / metric.soldInM!, 0)
  })
  it('goes by what the person pays, a length and its price each on its own, until that is taken back', () => {
    const note = (said: object) => moveOf('notePrice', { of: 'standpipe-104', ...said })
    const six = build(blank(), note({ soldInM: 6 }))
    expect(row(six, 40, 'standpipe-104')).toMatchObject({ lengths: 1, price: 54, comesTo: 54 + 22, said: false })
    const paid = build(six, note({ price: 40 }), moveOf('notePrice', { of: 'standpipe-104-ends', price: 10 }))
    expect(row(paid, 40, 'standpipe-104')).toMatchObject({ lengths: 1, comesTo: 50, said: true })
    const back = build(
      paid,
      note({ price: null, soldInM: null }),
      moveOf('notePrice', { of: 'standpipe-104-ends', price: null }),
    )
    expect(back).toEqual(blank())
  })
  it('offers the two smallest drums that hold it, and none that does not', () => {
    const drums = (volumeL: number) =>
      flushForms(blank(), volumeL).flatMap(form => (form.form === 'drum' ? [form.innerDiameterMm] : []))
    expect(drums(40)).toEqual([370, 460])
    expect(drums(190)).toEqual([570])
    expect(drums(500)).toEqual([])
  })
})
