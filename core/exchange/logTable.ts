import papaparse from 'papaparse'
import { cellText, writeTable } from './table'
import { splitPhotos, type FilePhoto } from './photoFile'
import { fewOf } from './fewOf'
import { whyNot } from '../answers'
import { readFigure } from '../keep'
import { showQuantity, type Kind } from '../units'
import { nameOf, graphOf, readSiteText, runName, type Site } from '../site'
import {
  instantDigits,
  moment,
  READING_KIND_IDS,
  READING_KINDS,
  readingSchema,
  type LogReading,
  type ReadingKind,
} from '../kinds'

/** The unit in which a table tells a kind: the one of its figure as it is kept. */
function unitOf(kind: ReadingKind): string {
  const row: { kind?: Kind } = READING_KINDS[kind]
  return row.kind ? showQuantity(1, row.kind, 'metric').unit : ''
}

/** A log as a table that any spreadsheet opens, oldest first; it is read back as it was. */
export function logTable(site: Site): string {
  const rows = [...(site.log ?? [])]
    .sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : a.id < b.id ? -1 : 1))
    .map(({ id, at, kind, subject = '', value, by = '', said = '', note = '', source = '' }) => ({
      id,
      at,
      kind,
      subject,
      name: subjectName(site, subject),
      value: value ?? '',
      unit: value === undefined ? '' : unitOf(kind),
      by,
      said,
      note,
      source,
    }))
  return writeTable(rows)
}
function subjectName(site: Site, id: string): string {
  const run = graphOf(site).run(id)
  if (run) return runName(site, run)
  return graphOf(site).node(id) ? nameOf(site, id) : ''
}

/** A log as it was read from a table, and what could not be read, line by line. */
export interface LogRead {
  readings: LogReading[]
  /** Photos that came with them, where a site's file has some. */
  photos?: FilePhoto[]
  problems: string[]
}

/** How far a long table is read is told every so many lines. */
const TOLD_EVERY = 5000

/** Headings that people give their columns, and what they are here. */
const HEADINGS: Record<string, string> = {
  date: 'at',
  day: 'at',
  time: 'at',
  what: 'kind',
  reading: 'value',
  tank: 'subject',
  where: 'subject',
  units: 'unit',
  level: 'value',
  remark: 'note',
}
/** A heading that is itself a kind makes each of its figures a line of that kind. */
const KIND_HEADINGS = new Set<string>(READING_KIND_IDS)

/**
 * Reads a table of readings, whose columns may stand in any order: this program's own, or one with a date and a column a
 * kind (level, rain), its unit in brackets. What cannot be read is told by its line, and the rest is taken; `progress`
 * hears which share of it is read.
 */
export function readLogTable(text: string, site: Site, progress?: (share: number) => void): LogRead {
  const { data, meta } = papaparse.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: heading => heading.trim().toLowerCase(),
  })
  const fields = meta.fields ?? []
  const columns = fields.map(field => {
    const [, name = '', unit] = /^([^([]*?)\s*(?:[([](.+)[)\]])?$/.exec(field) ?? []
    return { field, name: HEADINGS[name] ?? name, plain: name, unit }
  })
  const wide = !columns.some(({ name }) => name === 'kind')
  const at = columns.find(({ name }) => name === 'at')
  if (!at) return { readings: [], problems: ['The table has no column “at” or “date”; the first line must name them.'] }
  const problems: string[] = []
  const readings = data.flatMap((row, line): LogReading[] => {
    if (line % TOLD_EVERY === 0) progress?.(line / data.length)
    const cell = (name: string) => cellText(row[columns.find(each => each.name === name)?.field ?? ''])
    const told = wide
      ? columns.flatMap(({ field, plain, unit }) => {
          const value = cellText(row[field])
          return KIND_HEADINGS.has(plain) && value ? [{ kind: plain, value, unit: unit ?? '' }] : []
        })
      : [{ kind: cell('kind'), value: cell('value'), unit: cell('unit') }]
    return told.flatMap((each, index): LogReading[] => {
      const made = lineOf(site, each, cell, `${line + 1}-${index}`)
      if (typeof made !== 'string') return [made]
      problems.push(`Line ${line + 2}: ${made}`)
      return []
    })
  })
  return { readings, problems: fewOf(problems) }
}

function lineOf(
  site: Site,
  { kind, value, unit }: { kind: string; value: string; unit: string },
  cell: (name: string) => string,
  place: string,
): LogReading | string {
  if (!KIND_HEADINGS.has(kind)) return `“${kind}” is no kind of reading; it must be ${READING_KIND_IDS.join(', ')}.`
  const of = kind as ReadingKind
  const number = Number(value.replace(',', '.'))
  if (value && Number.isNaN(number)) return `“${value}” is no number.`
  const named = cell('subject')
  const subject = named && of === 'level' ? (site.nodes.find(({ name }) => name === named)?.id ?? named) : named
  const figure = readFigure(site, {
    kind: of,
    ...(subject ? { subject } : {}),
    ...(value ? { value: number } : {}),
    ...(unit ? { unit } : {}),
  })
  if (!figure.ok) return `the ${READING_KINDS[of].name} ${whyNot(figure)}.`
  const optional = Object.fromEntries(
    (['by', 'said', 'note', 'source'] as const).flatMap(name => (cell(name) ? [[name, cell(name)]] : [])),
  )
  const at = moment().safeParse(cell('at'))
  if (!at.success) return `at ${at.error.issues[0]!.message}.`
  const told = ['table', instantDigits(at.data), of, place].join('-')
  const read = readingSchema.safeParse({
    id: cell('id') || told,
    at: at.data,
    kind: of,
    ...(subject ? { subject } : {}),
    ...(figure.value === undefined ? {} : { value: figure.value }),
    ...optional,
  })
  if (read.success) return read.data
  const [issue] = read.error.issues
  return `${String(issue!.path[0])} ${issue!.message}.`
}

/** The lines of a log from whatever brings them: a table, or a site file from another machine. */
export function readLog(text: string, site: Site, progress?: (share: number) => void): LogRead {
  if (!text.trimStart().startsWith('{')) return readLogTable(text, site, progress)
  const read = readSiteText(text)
  if (!read.ok) return { readings: [], problems: [whyNot(read)] }
  const { site: other, photos } = splitPhotos(read.site)
  const { log = [], name } = other
  return { readings: log, photos, problems: log.length ? [] : [`“${name}” has no log.`] }
}
