import { isDraft, original } from 'immer'
import { z } from 'zod'
import { defineMove, Impossible } from './move'
import { moment, readingSchema, READING_KINDS, type LogReading } from '../kinds'
import { newLines, type Site } from '../site'

const noun = (kind: keyof typeof READING_KINDS): string => READING_KINDS[kind].name

/** A log as it stands, to be looked through: thousands of lines are not made into drafts for it. */
export const logLines = ({ log = [] }: Site): readonly LogReading[] => (isDraft(log) ? original(log)! : log)

/** Writes a line into the log. */
export const logReading = defineMove({
  args: readingSchema.omit({ id: true }).extend({ id: z.string().max(120).optional() }),
  label: ({ kind }) => `Log: ${noun(kind)}`,
  apply(site, { id, ...reading }) {
    const log = logLines(site)
    if (id && log.some(each => each.id === id)) throw new Impossible('That line is in the log already.')
    const line = { ...reading, id: id ?? freshReadingId(site) }
    // Pushed, not made anew: a step of the history holds the one line, and not the whole log.
    if (site.log) site.log.push(line)
    else site.log = [line]
  },
})

/** Readings are many: the next id is looked for from their count on. */
function freshReadingId(site: Site): string {
  const log = logLines(site)
  const taken = new Set(log.map(({ id }) => id))
  for (let at = log.length + 1; ; at++) if (!taken.has(`log-${at}`)) return `log-${at}`
}

/** Many lines at once, as a table or another machine brings them; those that are there already are left as they are. */
export const logReadings = defineMove({
  args: z.object({ readings: z.array(readingSchema).max(60_000) }),
  label: ({ readings }) => (readings.length === 1 ? 'Log a line' : `Log ${readings.length} lines`),
  apply(site, { readings }) {
    const fresh = newLines(logLines(site), readings)
    if (!fresh.length) return
    if (site.log) site.log.push(...fresh)
    else site.log = fresh
  },
})

/** Corrects a line: its day, its figure, its note. */
export const correctReading = defineMove({
  args: z.object({
    reading: z.string(),
    at: moment().optional(),
    value: z.number().min(-1e12).max(1e12).optional(),
    said: z.string().max(200).optional(),
    note: z.string().max(2000).optional(),
  }),
  label: () => 'Correct a line of the log',
  apply(site, { reading, ...change }) {
    const line = site.log?.[logLines(site).findIndex(({ id }) => id === reading)]
    if (!line) throw new Impossible('That line is no longer in the log.')
    Object.assign(line, Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined)))
  },
})

export const dropReading = defineMove({
  args: z.object({ reading: z.string() }),
  label: () => 'Take a line out of the log',
  apply(site, { reading }) {
    const log = site.log ?? []
    const at = logLines(site).findIndex(({ id }) => id === reading)
    if (at < 0) throw new Impossible('That line is no longer in the log.')
    // A log has no order: the last line takes its place, and no other moves.
    const last = log.pop()!
    if (at < log.length) log[at] = last
    if (!log.length) delete site.log
  },
})

/** Puts a chore off until a day, says that it never comes here, or with neither lets it come as usual. */
export const putChore = defineMove({
  args: z.object({
    chore: z.string().max(200),
    until: z.iso.date('must be a date, such as 2027-04-18').optional(),
    never: z.boolean().optional(),
  }),
  label: ({ until, never }) => (never ? 'A chore that never comes here' : until ? 'Put a chore off' : 'As usual again'),
  apply(site, { chore, until, never }) {
    const others = (site.chores ?? []).filter(({ id }) => id !== chore)
    const row = { id: chore, ...(until ? { until } : {}), ...(never ? { never } : {}) }
    const chores = until || never ? [...others, row] : others
    if (chores.length) site.chores = chores
    else delete site.chores
  },
})
