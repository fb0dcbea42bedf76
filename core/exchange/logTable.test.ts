import { describe, expect, it } from 'vitest'
import { choreCalendar, logTable, readLog, readLogTable } from '.'
import { dueChores } from '../keep'
import { writeSite, type Site } from '../site'
import { moveOf } from '../moves'
import { demoSite } from '../../tests/demoSites'
import { madeLog } from '../../tests/madeLogs'
import { build } from '../../tests/sites'

const site = demoSite('brindle-yard')
const { log } = madeLog(site, 2, 60, 7, { coefficient: 1, use: 1 })
const logged: Site = {
  ...site,
  log: [...log, { id: 'n', at: '2023-03-09T07:30', kind: 'note', note: 'a "frog", green' }],
}
const byId = (lines: readonly { id: string }[]) => [...lines].sort((a, b) => (a.id < b.id ? -1 : 1))

describe('a log as a table', () => {
  it('is read back as it was', () => {
    const { readings, problems } = readLogTable(logTable(logged), site)
    expect(problems).toEqual([])
    expect(byId(readings)).toEqual(byId(logged.log!))
  })
  it('comes from another machine as a site file, and is merged without a double', () => {
    const { readings, problems } = readLog(writeSite(logged), site)
    expect(problems).toEqual([])
    const merged = build(site, moveOf('logReadings', { readings }), moveOf('logReadings', { readings }))
    expect(byId(merged.log!)).toEqual(byId(logged.log!))
    // Two machines may have called two lines by one id: both are kept.
    const [first] = readings
    const other = { ...first!, at: '2024-05-05', value: 3 }
    const both = build(
      merged,
      moveOf('logReadings', { readings: [other] }),
      moveOf('logReadings', { readings: [other] }),
    )
    expect(both.log).toHaveLength(merged.log!.length + 1)
    expect(new Set(both.log!.map(({ id }) => id)).size).toBe(both.log!.length)
    // The same line under another id says nothing new.
    const renamed = readings.map(each => ({ ...each, id: `other-${each.id}` }))
    expect(build(merged, moveOf('logReadings', { readings: renamed })).log).toHaveLength(logged.log!.length)
  })
  it('of two kinds at one moment and line is two, whichever table is read first', () => {
    const [level, rain] = ['at,kind,subject,value\n2027-01-02,level,tank-1,0.4', 'at,kind,value\n2027-01-02,rain,3']
    const both = [level!, rain!].reduce(
      (now, table) => build(now, moveOf('logReadings', { readings: readLogTable(table, now).readings })),
      site,
    )
    expect(both.log!.map(({ kind }) => kind)).toEqual(['level', 'rain'])
    // And so are two lines of two machines that bear one id.
    const other = { ...both.log![0]!, kind: 'note' as const, note: 'cleaned' }
    expect(build(both, moveOf('logReadings', { readings: [other] })).log).toHaveLength(3)
  })
  it.each([
    ['when,what\n2026-01-01,rain', /no column “at” or “date”/],
    ['at,kind,value\n2026-02-30,rain,3', /Line 2: at must be a day that there is/],
    ['at,kind,value\n2026-02-03,rain,wet', /Line 2: “wet” is no number/],
    ['at,kind,value\n2026-02-03,smell,1', /Line 2: “smell” is no kind of reading/],
    ['at,kind,value,unit\n2026-02-03,rain,1,furlong', /Line 2: the rain is in “furlong”/],
    ['at,kind,subject,value\n2026-02-03,level,nowhere,1', /Line 2: the level is of no tank “nowhere”/],
    ['{"format":', /./],
  ])('that holds %j is told in a sentence', (text, why) => {
    const { readings, problems } = readLog(text, site)
    expect(readings).toEqual([])
    expect(problems.join(' ')).toMatch(why)
  })
  it('takes a date and a column a kind, in the units of its heading, tanks by their names', () => {
    const { readings, problems } = readLogTable(
      '\uFEFFDate,Rain (in),Level [cm],Tank\n2026-01-02,0.5,40,Low drum\n',
      site,
    )
    expect(problems).toEqual([])
    expect(readings).toMatchObject([
      { at: '2026-01-02', kind: 'rain', value: 12.7 },
      { at: '2026-01-02', kind: 'level', value: 0.4, subject: 'tank-3' },
    ])
  })
})

describe('chores as a calendar', () => {
  const due = dueChores(site, logged.log!, '2027-02-01')
  const made = choreCalendar(site, due, '2027-02-01')
  const text = made.ok ? made.text.replaceAll(/\r?\n[ \t]/g, '') : ''
  it('holds each once, on its day, coming round by its rule', () => {
    const events = text.split('BEGIN:VEVENT').slice(1)
    expect(events).toHaveLength(due.length)
    for (const [at, { id, what, due: day, comes }] of due.entries()) {
      const event = events[at]!
      expect(event).toContain(`UID:brindle-yard-${id.replaceAll(':', '-')}@tall-cask`)
      const start = /DTSTART;VALUE=DATE:(\d{8})/.exec(event)![1]
      expect(start).toBe((day < '2027-02-01' ? '2027-02-01' : day).replaceAll('-', ''))
      // A whole day ends where the next begins, and no duration is told in a way that calendars refuse.
      const ends = new Date(Date.parse(`${start!.slice(0, 4)}-${start!.slice(4, 6)}-${start!.slice(6)}`) + 86_400_000)
      expect(event).toContain(`DTEND;VALUE=DATE:${ends.toISOString().slice(0, 10).replaceAll('-', '')}`)
      expect(event).not.toContain('DURATION')
      expect(event).toMatch(/BEGIN:VALARM[^]*TRIGGER:-PT6H0?M?[^]*END:VALARM/)
      expect(event.replaceAll('\\', '')).toContain(what)
      expect(event).toMatch(comes.by === 'season' ? /RRULE:FREQ=YEARLY/ : /RRULE:FREQ=(MONTHLY|YEARLY);INTERVAL=\d+/)
    }
  })
  it('is refused where there is nothing to do', () => {
    expect(choreCalendar(site, [], '2027-02-01')).toMatchObject({ ok: false })
  })
})
