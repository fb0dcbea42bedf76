import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, put } from '../../tests/sites'
import { outlook } from './year'
import { payingSizeL, poolPrice, sizeCurve } from './sizing'
import { simulate } from './simulate'
import { runWeather } from './runLanes'
import { compile } from './compile'
import type { Site } from '../site'
import { moveOf, standInClimate } from '../moves'
import { weatherSeries } from '../climate'

/** 40 m² of roof over a cubic metre, in a place with a dry summer, and 60 litres a day. */
const dry = (): Site => ({
  ...build(
    plainTank(blank(), 'A'),
    moveOf('addRoof', { name: 'R', lengthM: 8, widthM: 5, material: 'steel', eavesM: 3, tank: 'tank-1' }),
    moveOf('fitFirstFlush', { spout: 'spout-1' }),
    moveOf('addUse', { preset: 'sheep', count: 12 }),
  ),
  climate: standInClimate('dry-summer-hill'),
})

describe('how big', () => {
  const site = dry()
  const series = weatherSeries(site)
  const curve = sizeCurve(compile(site), 0, series)

  it('more tank is never shorter, and never spills more', () => {
    expect(curve.map(point => point.capL)).toEqual([...curve.map(point => point.capL)].sort((a, b) => a - b))
    for (let at = 1; at < curve.length; at++) {
      expect(curve[at]!.shortDays).toBeLessThanOrEqual(curve[at - 1]!.shortDays)
      expect(curve[at]!.shortL).toBeLessThanOrEqual(curve[at - 1]!.shortL + 1e-9)
      expect(curve[at]!.spilledL).toBeLessThanOrEqual(curve[at - 1]!.spilledL + 1e-9)
    }
  })
  it('says at its own size what the years say', () => {
    const { years } = outlook(site, series)
    const here = curve.find(point => Math.abs(point.capL - 900) < 1e-9)!
    const days = years.reduce((sum, year) => sum + year.shortDays, 0)
    expect(here.shortDays).toBeCloseTo((days / series.rainMm.length) * 365.25, 9)
  })
  it('says at twice its size what a tank of twice the plan area says', () => {
    const at = site.nodes.findIndex(node => node.id === 'tank-1')
    const wide = build(site, put(['nodes', at, 'shape', 'lengthM'], 2))
    const twice = sizeCurve(compile(wide), 0, series).find(point => Math.abs(point.capL - 1800) < 1e-9)!
    const [below, above] = [curve.filter(point => point.capL <= 1800).at(-1)!, curve.find(point => point.capL >= 1800)!]
    expect(twice.shortDays).toBeLessThanOrEqual(below.shortDays)
    expect(twice.shortDays).toBeGreaterThanOrEqual(above.shortDays)
  })
  it('its band is the years ranked', () => {
    const ranked = outlook(site, series)
      .years.map(year => year.shortDays)
      .sort((a, b) => a - b)
    const here = curve.find(point => Math.abs(point.capL - 900) < 1e-9)!
    // Thirty years: a tenth of the way lies nine tenths of a step past the third.
    const at = (index: number, part: number) => ranked[index]! + (ranked[index + 1]! - ranked[index]!) * part
    expect(here.band).toEqual([at(2, 0.9), at(14, 0.5), at(26, 0.1)].map(days => expect.closeTo(days)))
    for (const {
      band: [good, middle, bad],
    } of curve)
      expect(good <= middle && middle <= bad).toBe(true)
  })
  it('more tank costs more, and less a litre; a price that was said is kept at its own size', () => {
    for (let at = 1; at < curve.length; at++) {
      expect(curve[at]!.price).toBeGreaterThan(curve[at - 1]!.price)
      expect(curve[at]!.price / curve[at]!.capL).toBeLessThan(curve[at - 1]!.price / curve[at - 1]!.capL)
    }
    const index = site.nodes.findIndex(node => node.id === 'tank-1')
    const priced = compile(build(site, put(['nodes', index, 'price'], 250))).pools[0]!
    expect(poolPrice(priced)).toBeCloseTo(250, 9)
    expect(poolPrice(priced, 16)).toBeCloseTo(250 * 8, 6)
  })
  it('a size asked for by itself is the same as among many', () => {
    const at = curve[20]!
    expect(sizeCurve(compile(site), 0, series, [at.capL / 900])).toEqual([at])
  })
  it('the weather run beforehand changes nothing', () => {
    const compiled = compile(site)
    expect(simulate(compiled, series, { weather: runWeather(compiled, series) })).toEqual(simulate(compiled, series))
  })
  it('stops paying where the next thousand litres spare less than a day from there on', () => {
    const at = (capL: number, shortDays: number) => ({ capL, shortDays })
    expect(
      payingSizeL([at(1000, 50), at(2000, 30), at(3000, 29.5), at(4000, 20), at(5000, 19.5), at(6000, 19.4)]),
    ).toBe(4000)
    expect(payingSizeL([at(1000, 50), at(2000, 30)])).toBeUndefined()
    expect(payingSizeL([at(1000, 0), at(2000, 0), at(3000, 0)])).toBeUndefined()
  })
})
