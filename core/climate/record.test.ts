import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readRecord, type RecordChoices, type RecordReading } from './record'
import { isoDate } from './calendar'
import { timed } from '../../tests/machine'

/** A table of `days` lines from 1990-01-01; each line is written by `line`. */
function table(days: number, line: (iso: string, index: number) => string, header = 'date,rain_mm'): string {
  return [header, ...Array.from({ length: days }, (_, index) => line(isoDate(7305 + index), index))]
    .filter(Boolean)
    .join('\n')
}
function reading(text: string, choices?: RecordChoices): RecordReading {
  const read = readRecord(text, choices)
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read
}
const swap = (iso: string, order: 'dmy' | 'mdy', sign = '/') => {
  const [year, month, day] = iso.split('-')
  return (order === 'dmy' ? [day, month, year] : [month, day, year]).join(sign)
}

describe('reading a rain record', () => {
  it('reads a plain table', () => {
    const read = reading(table(365, (iso, index) => `${iso},${index % 3 ? 0 : 6.2}`))
    expect(read).toMatchObject({
      start: '1990-01-01',
      end: '1990-12-31',
      days: 365,
      missingDays: 0,
      unit: 'mm',
      order: 'ymd',
      questions: [],
    })
    expect(read.yearlyMm).toBeCloseTo(((122 * 6.2) / 365) * 365.25, 6)
    expect(read.rainMm[0]).toBe(6.2)
  })

  it('understands semicolons, decimal commas, a byte-order mark and a preamble', () => {
    const body = table(60, iso => `${swap(iso, 'dmy', '.')};3,5;1,0;9,5`, 'Datum;Niederschlag (mm);Tmin;Tmax')
    const read = reading(`\uFEFFStation: Obere Wiese\nerstellt von Hand\n${body}`)
    expect(read).toMatchObject({
      order: 'dmy',
      delimiter: ';',
      days: 60,
      columns: { date: [0], rain: 1, tMin: 2, tMax: 3 },
    })
    expect(read.rainMm.every(value => value === 3.5)).toBe(true)
    expect(read.months[0]).toMatchObject({ tMinC: 1, tMaxC: 9.5 })
  })

  it('takes year, month and day from three columns, and columns set apart by spaces', () => {
    expect(
      reading(table(90, iso => `12345,${iso.replaceAll('-', ',')},0.4`, 'Station,Year,Month,Day,Rainfall (mm)')),
    ).toMatchObject({ days: 90, start: '1990-01-01', columns: { date: [1, 2, 3], rain: 4 } })
    expect(reading(table(40, iso => `${iso}    2.5   7`, 'date rain other'))).toMatchObject({
      days: 40,
      delimiter: ' ',
    })
  })

  it('tells month-first from day-first, and asks when it cannot', () => {
    expect(reading(table(200, iso => `${swap(iso, 'mdy')},1`)).order).toBe('mdy')
    expect(reading(table(200, iso => `${swap(iso, 'dmy')},1`)).order).toBe('dmy')
    const twelve = ['date,rain_mm', ...Array.from({ length: 40 }, (_, year) => `01/02/${1960 + year},1`)].join('\n')
    expect(reading(twelve).questions.map(question => question.about)).toEqual(['lines', 'order'])
    expect(reading(twelve, { order: 'mdy', lines: 'days' })).toMatchObject({ start: '1960-01-02', questions: [] })
  })

  it('asks for the unit when the figures leave it open, and takes it from the heading when it stands there', () => {
    const inches = table(365, (iso, index) => `${iso},${index % 4 ? 0 : 0.35}`, 'date,rain')
    expect(reading(inches)).toMatchObject({ unit: 'in', questions: [{ about: 'unit' }] })
    expect(reading(inches, { unit: 'in' }).questions).toEqual([])
    expect(reading(inches.replace('date,rain', 'date,precip (in)'))).toMatchObject({ unit: 'in', questions: [] })
    expect(reading(table(365, iso => `${iso},25`, 'date,PRCP (tenths of mm)')).rainMm[0]).toBeCloseTo(2.5)
    expect(reading(table(365, (iso, day) => `${iso},${day % 2 ? 250 : 0}`, 'date,PRCP')).questions).toHaveLength(1)
  })

  it('counts traces, missing flags, duplicates, gaps and lines it cannot read', () => {
    const text = table(60, (iso, index) => {
      if (index === 3) return `${iso},T`
      if (index === 4) return `${iso},-9999`
      if (index === 5) return `${iso},M`
      if (index === 6) return `${iso},`
      if (index === 7) return `${iso},soaked`
      if (index === 8) return `${iso},4\n${iso},5`
      if (index === 9) return ''
      if (index === 10) return `1990-02-30,3`
      return `${iso},1.2A`
    })
    const read = reading(text)
    expect(read).toMatchObject({ days: 60, trace: 1, flagged: 3, duplicates: 1, missingDays: 6, unreadableCount: 2 })
    expect(read.unreadable).toEqual([
      { line: 9, text: '1990-01-08,soaked', why: 'the rain is not a number' },
      { line: 12, text: '1990-02-30,3', why: 'there is no such date' },
    ])
    expect(read.rainMm[3]).toBe(0)
    expect(read.rainMm[8]).toBe(5)
    expect(read.rainMm[12]).toBe(1.2)
  })

  it('asks what a depth below nothing means, and takes it as it is answered', () => {
    const text = table(800, (iso, index) => `${iso},${index % 7 === 0 ? -(1 + (index % 3)) : 2}`)
    const asked = reading(text)
    expect(asked.questions.map(({ about }) => about)).toEqual(['below'])
    expect(asked.questions[0]!.sentence).toContain('115 lines hold a depth below nothing, down to -3')
    expect(asked).toMatchObject({ below: 115, flagged: 0, missingDays: 115 })
    const [missing, dry] = asked.questions[0]!.answers.map(({ choice }) => reading(text, choice))
    expect([missing!.questions, dry!.questions]).toEqual([[], []])
    expect([missing!.missingDays, missing!.rainMm[7]]).toEqual([115, 2])
    expect([dry!.missingDays, dry!.rainMm[7]]).toEqual([0, 0])
    // The usual marks of what is missing are known, and not asked about.
    expect(reading(table(60, (iso, index) => `${iso},${index % 5 ? 2 : -999.9}`)).questions).toEqual([])
  })

  it('fills gaps from the same date of the nearest year, or as dry', () => {
    const text = table(1000, (iso, index) => (index === 400 ? '' : `${iso},${iso.slice(0, 4) === '1990' ? 7 : 2}`))
    expect(reading(text).rainMm[400]).toBe(7)
    expect(reading(text, { gaps: 'dry' }).rainMm[400]).toBe(0)
  })

  it('adds up hours to days', () => {
    const hours = table(40, iso =>
      Array.from({ length: 24 }, (_, hour) => `${iso} ${String(hour).padStart(2, '0')}:00,0.5`).join('\n'),
    )
    expect(reading(hours)).toMatchObject({ days: 40, summed: true, duplicates: 0 })
    expect(reading(hours).rainMm[5]).toBe(12)
  })

  it('refuses what is no record, with the reason', () => {
    const sentence = (text: string, choices?: RecordChoices) => {
      const read = readRecord(text, choices)
      return read.ok ? 'read' : read.problems.map(problem => problem.sentence).join(' ')
    }
    expect(sentence('')).toContain('empty')
    expect(sentence('hello\nworld')).toContain('date column')
    expect(sentence('date,rain\n2020-01-01,3')).toContain('at least 28')
    expect(sentence(table(40, iso => `${iso},6000`))).toContain('No day on earth')
    expect(sentence(`${table(40, iso => `${iso},1`)}\n1066-01-01,3`)).toContain('200 years')
  })

  it('never throws, whatever bytes it is given', () => {
    fc.assert(fc.property(fc.string({ maxLength: 3000 }), text => typeof readRecord(text).ok === 'boolean'))
    const pieces = fc.constantFrom(
      '1990-01-01',
      '31/12/1999',
      ',',
      ';',
      '\n',
      '\t',
      '3,4',
      '-9999',
      'T',
      '"',
      '1e999',
      'rain',
      '\0',
      ' ',
    )
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 400 }), bits => typeof readRecord(bits.join('')).ok === 'boolean'),
    )
  })

  it('reads a hundred years in under a second', { retry: 2, timeout: 30000 }, () => {
    const text = table(
      36525,
      (iso, index) => `${swap(iso, 'dmy')};${((index * 7) % 23) / 2};${5};${12}`.replaceAll('.', ','),
      'Date;Rain mm;Tmin;Tmax',
    )
    const { answer, quietMs } = timed(() => reading(text))
    expect(answer.days).toBe(36525)
    expect(quietMs).toBeLessThan(1000)
  })
})

describe('a record made to take long', () => {
  const days = Array.from({ length: 400 }, (_, day) => isoDate(11000 + day))
  it('of a heading of 60 kB, or ten thousand columns, is read in a blink and all the same', () => {
    const plain = timed(() => readRecord(['date,rain_mm', ...days.map(day => `${day},3`)].join('\n')))
    const heading = timed(() =>
      readRecord([`date,rain_mm,${'min te '.repeat(9000)}`, ...days.map(day => `${day},3,7`)].join('\n')),
    )
    const wide = ',7'.repeat(10_000)
    const columns = timed(() =>
      readRecord([`date,rain_mm${',x'.repeat(10_000)}`, ...days.map(day => `${day},3${wide}`)].join('\n')),
    )
    expect(plain.answer.ok && plain.answer.rainMm).toHaveLength(400)
    for (const { answer, quietMs } of [heading, columns]) {
      expect(answer.ok && answer.rainMm).toEqual(plain.answer.ok && plain.answer.rainMm)
      expect(quietMs).toBeLessThan(3000)
    }
  })
  it('of a million hours is read in seconds, and says how far it is', () => {
    const hours = Array.from({ length: 41_667 }, (_, day) => {
      const date = isoDate(day - 25_000)
      return Array.from(
        { length: 24 },
        (_, hour) => `${date} ${String(hour).padStart(2, '0')}:00,${hour % 8 ? 0 : 0.4}`,
      )
    }).flat()
    const shares: number[] = []
    const text = ['time,rain_mm', ...hours].join('\n')
    const { answer: read, quietMs } = timed(() => readRecord(text, {}, share => shares.push(share)))
    expect(quietMs).toBeLessThan(5000)
    expect(read).toMatchObject({ days: 41_667, summed: true, duplicates: 0, rows: 1_000_008 })
    expect(read.ok && read.rainMm[9]).toBeCloseTo(1.2, 9)
    expect(shares.length).toBeGreaterThan(10)
    expect(shares).toEqual(shares.toSorted((a, b) => a - b))
    expect(shares.at(-1)).toBe(1)
  })
})

describe('a record that says what cannot be', () => {
  const days = Array.from({ length: 730 }, (_, day) => isoDate(11000 + day))
  const of = (figure: (day: number) => number, choices?: RecordChoices) =>
    readRecord(['date,rain_mm', ...days.map((day, index) => `${day},${figure(index)}`)].join('\n'), choices)
  const problem = (read: ReturnType<typeof readRecord>) => (read.ok ? 'read' : read.problems[0]!.sentence)

  it('such as a year of the year 1 is told line by line, and never taken for one of 2001', () => {
    const read = readRecord(['date,rain_mm', ...days.map(day => `0001${day.slice(4)},3`)].join('\n'))
    expect(read.ok || read.problems.map(({ sentence }) => sentence).slice(0, 2)).toEqual([
      'Not one line could be read as a day.',
      'Line 2, “0001-02-13,3”: there is no such date.',
    ])
  })
  it('such as 1999 mm every day is refused, and rain every day asked about', () => {
    expect(problem(of(() => 1999))).toMatch(/^This would be 730\d{3} mm a year\. No place on earth has that/)
    const daily = of(() => 3)
    expect(daily.ok && daily.questions.map(({ about }) => about)).toEqual(['column'])
    const settled = of(() => 3, daily.ok ? daily.questions[0]!.answers[0]!.choice : {})
    expect(settled).toMatchObject({ ok: true, questions: [] })
    expect(of(day => (day % 10 ? 3 : 0))).toMatchObject({ ok: true, questions: [] })
  })
  it('months’ sums are asked about, and as sums give their months', () => {
    const lines = Array.from(
      { length: 240 },
      (_, at) => `${1990 + Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-01,${40 + (at % 12) * 5}`,
    )
    const text = ['month,rain_mm', ...lines].join('\n')
    const asked = readRecord(text)
    expect(asked.ok && asked.questions.map(({ about }) => about)).toEqual(['lines'])
    expect(asked.ok && asked.questions[0]!.sentence).toContain('The lines stand 31 days apart')
    const read = readRecord(text, { lines: 'sums' })
    expect(read).toMatchObject({ ok: true, questions: [], rainMm: [] })
    expect(read.ok && read.months.map(({ rainMm }) => rainMm)).toEqual(
      Array.from({ length: 12 }, (_, month) => 40 + month * 5),
    )
    expect(read.ok && read.yearlyMm).toBe(810)
  })
  it('weeks’ sums give their months by the length of these', () => {
    const text = ['week,rain_mm', ...Array.from({ length: 520 }, (_, at) => `${isoDate(11000 + at * 7)},14`)].join('\n')
    const read = readRecord(text, { lines: 'sums' })
    expect(read.ok && read.months[6]!.rainMm).toBeCloseTo(62, 9)
    expect(read.ok && read.yearlyMm).toBeCloseTo(2 * 365.25, 6)
  })
})
