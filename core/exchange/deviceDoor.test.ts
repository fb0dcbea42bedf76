import { describe, expect, it } from 'vitest'
import { askSince, promisedFrom, readDevice } from '.'
import { moveOf } from '../moves'
import { build } from '../../tests/sites'
import { demoSite } from '../../tests/demoSites'
import type { Device } from '../kinds'

const site = demoSite('brindle-yard')
const sensor: Device = {
  id: 'device-level',
  kind: 'level',
  name: 'level sensor',
  address: '/x',
  subject: 'tank-3',
  everyMinutes: 360,
}
const asked = { now: '2027-04-18T12:00:00Z', zoneMinutes: 120 }
const json = (readings: unknown[], clock?: string) => JSON.stringify({ ...(clock ? { clock } : {}), readings })

describe('what a device answers', () => {
  it('is read from JSON and from a table alike, by the site’s own clock', () => {
    const rows = [
      { at: '2027-04-18T05:00:00Z', value: 0.512, unit: 'm' },
      { at: '2027-04-18T11:00:00+02:00', value: 50, unit: 'cm' },
    ]
    const read = readDevice(site, sensor, json(rows), asked)
    expect(read).toMatchObject({ problems: [], slowMinutes: 0 })
    expect(read.readings).toMatchObject([
      { at: '2027-04-18T07:00', kind: 'level', value: 0.512, by: 'sensor', source: 'device-level', subject: 'tank-3' },
      { at: '2027-04-18T11:00', value: 0.5 },
    ])
    const table = `at,value,unit\n${rows.map(({ at, value, unit }) => `${at},${value},${unit}`).join('\n')}\n`
    expect(readDevice(site, sensor, table, asked).readings).toEqual(read.readings)
  })
  it('gives the same lines the same ids, so that they are written down once', () => {
    const rows = [{ at: '2027-04-18T05:00:00Z', value: 0.5, unit: 'm' }]
    const ids = (text: string) => readDevice(site, sensor, text, asked).readings.map(({ id }) => id)
    expect(ids(json([...rows, ...rows]))).toEqual([...ids(json(rows)), ...ids(json(rows))])
  })
  it('of one wall clock at three places are three, and of one instant told at two places are one', () => {
    const told = (...ats: string[]) =>
      readDevice(site, sensor, json(ats.map(at => ({ at, value: 0.5, unit: 'm' }))), asked).readings
    const three = told('2027-04-18T06:00:00Z', '2027-04-18T06:00:00+01:00', '2027-04-18T06:00:00-01:00')
    expect(new Set(three.map(({ id }) => id)).size).toBe(3)
    const log = (readings: typeof three) => build(site, moveOf('logReadings', { readings })).log!.length
    expect(log(three) - (site.log ?? []).length).toBe(3)
    const [here, there] = told('2027-04-18T06:00:00+01:00', '2027-04-18T05:00:00Z')
    expect(here!.id).toBe(there!.id)
  })
  it('of a clock that is behind is put right by it, and keeps what its clock said; days by whole days', () => {
    const slow = json([{ at: '2027-04-15T01:00:00Z', value: 0.5 }], '2027-04-15T06:00:00Z')
    const read = readDevice(site, sensor, slow, asked)
    expect(read.slowMinutes).toBe(3 * 1440 + 6 * 60)
    expect(read.readings[0]).toMatchObject({ at: '2027-04-18T09:00', said: '2027-04-15T01:00:00Z' })
    const gauge: Device = { ...sensor, id: 'device-rain', kind: 'rain' }
    const days = json([{ at: '2027-04-14', value: 3, unit: 'mm' }], '2027-04-15T06:00:00Z')
    expect(readDevice(site, gauge, days, asked).readings[0]).toMatchObject({ at: '2027-04-17', value: 3 })
    // A table's clock comes beside it.
    const table = readDevice(site, sensor, 'at,value\n2027-04-15T01:00:00Z,0.5\n', {
      ...asked,
      clock: '2027-04-15T06:00:00Z',
    })
    expect(table.readings[0]!.at).toBe('2027-04-18T09:00')
  })
  it('of a day that cannot be written down is told by its line, and the rest is taken', () => {
    const read = readDevice(
      site,
      sensor,
      json(['9999-12-31T23:59:00Z', '2027-04-18T05:00:00Z'].map(at => ({ at, value: 0.5, unit: 'm' }))),
      asked,
    )
    expect([read.readings.length, read.problems]).toEqual([
      1,
      [expect.stringContaining('Reading 1: it is told for 9999')],
    ])
  })
  it('of one that hangs over the water and looks down is turned round', () => {
    const hung = { ...sensor, hangsAtM: 1 }
    const [line] = readDevice(site, hung, json([{ at: '2027-04-18', value: 380, unit: 'mm' }]), asked).readings
    expect(line!.value).toBeCloseTo(0.62, 9)
  })
  it.each([
    ['<html>Bad gateway</html>', /no answer of a device/],
    ['{"readings":', /broke off half way/],
    ['{"reading":[]}', /no answer of a device/],
    ['time,level\n1,2\n', /no answer of a device/],
    [json([{ at: 'noon', value: 1 }]), /Reading 1 has no moment/],
    [json([{ at: '2027-04-18', value: 'wet' }]), /Reading 1 has no number/],
    [json([{ at: '2027-04-18', value: 1, unit: 'furlong' }]), /Reading 1: its level is in “furlong”/],
    [json([{ at: '2027-04-18', value: 1e9 }]), /must be from -1 to 10000/],
  ])('that is %j is told in a sentence, and nothing of it is taken', (text, why) => {
    const read = readDevice(site, sensor, text, asked)
    expect(read.readings).toEqual([])
    expect(read.problems.join(' ')).toMatch(why)
  })
  it('of which one line is wrong gives all the others', () => {
    const rows = [{ at: '2027-04-18', value: 0.4 }, { at: 'x' }, { at: '2027-04-17', value: 0.3 }]
    const { readings, problems } = readDevice(site, sensor, json(rows), asked)
    expect([readings.length, problems.length]).toEqual([2, 1])
  })
})

describe('a device is asked', () => {
  it('from the last that it told on, by its own clock', () => {
    expect(askSince(site, sensor, '2027-02-17', asked)).toBe('2027-02-17T00:00:00Z')
    const line = { id: 'a', at: '2027-04-18T07:00', kind: 'level' as const, value: 0.5, source: 'device-level' }
    const other = { ...line, id: 'b', at: '2027-05-01', source: 'device-2' }
    expect(askSince({ ...site, log: [line, other] }, sensor, '2027-02-17', asked)).toBe('2027-04-18T05:00:00.000Z')
    const said = { ...line, said: '2027-04-15T01:00:00Z' }
    // What is told of a day still to come, or by a clock that has begun anew, keeps nobody silent.
    for (const at of ['9999-12-31T23:59', '2031-01-01', '1970-01-01T00:10'])
      expect(askSince({ ...site, log: [line, { ...line, id: 'c', at }] }, sensor, '2027-02-17', asked), at).toBe(
        '2027-04-18T05:00:00.000Z',
      )
    expect(askSince({ ...site, log: [{ ...line, at: '9999-01-01' }] }, sensor, '2027-02-17', asked)).toBe(
      '2027-02-17T00:00:00Z',
    )
    expect(askSince({ ...site, log: [said] }, sensor, '2027-02-17', asked)).toBe('2027-04-15T01:00:00Z')
  })
})

describe('a forecast', () => {
  const device: Device = { id: 'device-forecast', kind: 'forecast', name: 'f', address: '/x', everyMinutes: 360 }
  it('promises rain from tomorrow on, up to the first day it says nothing of; nothing of it is logged', () => {
    const rows = ['2027-04-19', '2027-04-20', '2027-04-22'].map((at, mm) => ({ at, value: mm, unit: 'mm' }))
    const { readings, ahead } = readDevice(site, device, json(rows), asked)
    expect(readings).toEqual([])
    expect(promisedFrom(ahead, asked)).toEqual({ promised: [0, 1] })
    expect(promisedFrom(ahead, { ...asked, now: '2027-04-20T23:00:00Z' })).toEqual({ promised: [2] })
    expect(promisedFrom(ahead, { ...asked, now: '2027-04-20T12:00:00Z' })).toEqual({ promised: [] })
  })
  it('of sixty thousand days is reckoned with for two months, and told', () => {
    const from = Date.parse('2027-04-19')
    const ahead = Array.from({ length: 60_000 }, (_, day) => ({
      day: new Date(from + day * 86_400_000).toISOString().slice(0, 10),
      mm: day % 3,
    }))
    const { promised, problem } = promisedFrom(ahead, asked)
    expect(promised).toHaveLength(60)
    expect(problem).toContain('60000 days of rain')
  })
})
