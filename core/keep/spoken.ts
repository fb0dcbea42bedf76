import { placesFor } from './places'
import { readLevel } from './readFigure'
import { refuse, whyNot, type Answer } from '../answers'
import { parseQuantity, type Kind, type System } from '../units'
import { tanksOf, type Site } from '../site'
import { READING_KINDS, type LogReading, type ReadingKind } from '../kinds'

/** A line of the log as somebody speaks it. */
export interface Spoken {
  kind: ReadingKind
  subject?: string | undefined
  text: string
}

/** Reads a line as it is spoken or typed, in the site's units; or says what it lacks. */
export function readSpoken(
  site: Site,
  { kind, subject, text }: Spoken,
  system: System,
): Answer<{ line: Omit<LogReading, 'id' | 'at'> }> {
  const said = text.trim()
  const row: { name: string; kind?: Kind; of?: string; least: number; most: number } = READING_KINDS[kind]
  const at = subject ? { subject } : {}
  if (kind === 'chore' || kind === 'photo') return { ok: true, line: { kind, ...at, ...(said ? { note: said } : {}) } }
  if (!said) return refuse('Type what it says.')
  if (!row.kind) return { ok: true, line: { kind, ...at, note: said } }
  if (kind === 'level') return levelOf(site, subject, said, system)
  if (row.of && !placesFor(site, kind).some(({ id }) => id === subject))
    return refuse(`There is nothing here yet at which ${row.name} could be read.`)
  const read = parseQuantity(said, row.kind, system)
  if (!read.ok) return refuse(whyNot(read))
  if (read.value < row.least || read.value > row.most)
    return refuse(
      kind === 'rain' && read.value < 0 ? 'Rain falls down: type 0 or more.' : `“${said}” cannot be; look again.`,
    )
  return { ok: true, line: { kind, ...at, value: read.value, said } }
}

function levelOf(
  site: Site,
  subject: string | undefined,
  said: string,
  system: System,
): Answer<{ line: Omit<LogReading, 'id' | 'at'> }> {
  const tank = tanksOf(site).find(({ id }) => id === subject)
  if (!tank) return refuse('There is no tank to read yet.')
  const read = readLevel(site, tank, said, system)
  if (!read.ok) return read
  const { value, by, said: words } = read
  return { ok: true, line: { kind: 'level', subject: tank.id, value, said: words, ...(by ? { by } : {}) } }
}
