import { describe, expect, it } from 'vitest'
import { logTable, readDevice, readLogTable } from '../../core/exchange'
import { placesFor, readSpoken } from '../../core/keep'
import type { DeviceKind, ReadingKind } from '../../core/kinds'
import { applyMove, moveOf } from '../../core/moves'
import { readSite, tanksOf, type Site } from '../../core/site'
import { demoSite } from '../demoSites'
import { worksThrough } from './worksThrough'

/** A reading and a device that nobody has, in every demo site: whoever reads a log or asks a device meets them. */
const [acidity, probe] = ['acidity' as ReadingKind, 'probe' as DeviceKind]

function made(site: Site, ...moves: Parameters<typeof applyMove>[1][]): Site {
  return moves.reduce((now, move) => {
    const done = applyMove(now, move)
    if (!done.ok) throw new Error(done.problems[0]!.sentence)
    return done.site
  }, site)
}

describe.each(['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const)('in %s', name => {
  const demo = demoSite(name)
  const tank = tanksOf(demo)[0]!
  it('a made-up reading is spoken at its place, logged, written in a table and read back', () => {
    expect(placesFor(demo, acidity).map(({ id }) => id)).toContain(tank.id)
    const spoken = readSpoken(demo, { kind: acidity, subject: tank.id, text: '6.8' }, 'us')
    if (!spoken.ok) throw new Error(JSON.stringify(spoken))
    expect(spoken.line).toMatchObject({ kind: 'acidity', subject: tank.id, value: 6.8 })
    expect(readSpoken(demo, { kind: acidity, subject: tank.id, text: '16' }, 'us').ok).toBe(false)
    const site = made(demo, moveOf('logReading', { at: '2026-11-30', ...spoken.line } as never))
    expect(readSite(JSON.parse(JSON.stringify(site)))).toMatchObject({ ok: true })
    worksThrough(site)
    const { readings, problems } = readLogTable(logTable(site), site)
    expect(problems).toEqual([])
    expect(readings).toContainEqual(expect.objectContaining({ kind: 'acidity', value: 6.8, subject: tank.id }))
  })
  it('a made-up device is put up under its name, asked, and what it tells stands in the log', () => {
    const site = made(demo, moveOf('addDevice', { kind: probe, subject: tank.id, address: 'made-up' } as never))
    const device = site.devices!.at(-1)!
    expect(device).toMatchObject({ kind: 'probe', everyMinutes: 60 })
    worksThrough(site)
    const at = '2026-11-30T08:00:00Z'
    const answer = JSON.stringify({ readings: [{ at, value: 6.4 }] })
    const told = readDevice(site, device, answer, { now: '2026-11-30T09:00:00Z', zoneMinutes: 0 })
    expect(told.problems).toEqual([])
    expect(told.readings).toMatchObject([{ kind: 'acidity', value: 6.4, subject: tank.id, source: device.id }])
  })
})
