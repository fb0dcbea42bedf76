import { createEvents, type EventAttributes } from 'ics'
import { refuse, type Answer } from '../answers'
import type { DueChore } from '../keep'
import type { Site } from '../site'

const YEARLY = { months: 12 }
/** How a chore comes round, as calendars write it; a season's days are events of their own. */
function ruleOf({ comes }: DueChore): string {
  if (comes.by === 'season') return 'FREQ=YEARLY'
  return comes.months % YEARLY.months === 0
    ? `FREQ=YEARLY;INTERVAL=${comes.months / YEARLY.months}`
    : `FREQ=MONTHLY;INTERVAL=${comes.months}`
}
const dayOf = (iso: string): [number, number, number] => [
  Number(iso.slice(0, 4)),
  Number(iso.slice(5, 7)),
  Number(iso.slice(8, 10)),
]

const dayAfter = ([year, month, day]: [number, number, number]): [number, number, number] =>
  dayOf(new Date(Date.UTC(year, month - 1, day + 1)).toISOString())
/** It reminds at six in the evening before. */
const EVENING_BEFORE = { hours: 6, minutes: 0, before: true }

/**
 * Chores as a calendar (iCalendar, RFC 5545) that any calendar takes: whole days, each coming round by its own rule, with
 * why, tools, how one knows that it is done, and a reminder the evening before. The same chore has the same id, so that
 * a newer file takes its place.
 * @param on the day that it is; what is late stands there
 */
export function choreCalendar(site: Site, chores: readonly DueChore[], on: string): Answer<{ text: string }> {
  const events = chores.map((chore): EventAttributes => {
    const { id, what, why, done, tools, caution, due } = chore
    const start = dayOf(due < on ? on : due)
    return {
      uid: `${site.id}-${id.replaceAll(':', '-')}@tall-cask`,
      title: what,
      start,
      // A whole day ends where the next begins (RFC 5545, 3.6.1).
      end: dayAfter(start),
      alarms: [{ action: 'display', description: what, trigger: EVENING_BEFORE }],
      description: [why, `Done: ${done}`, tools.length ? `Tools: ${tools.join(', ')}.` : '', caution ?? '']
        .filter(Boolean)
        .join('\n'),
      recurrenceRule: ruleOf(chore),
      calName: `${site.name}: chores`,
      productId: 'tall-cask',
      created: [...dayOf(on), 0, 0],
      lastModified: [...dayOf(on), 0, 0],
      transp: 'TRANSPARENT',
      busyStatus: 'FREE',
    }
  })
  if (!events.length) return refuse('There is no chore to write down yet.')
  const { error, value } = createEvents(events)
  return value
    ? { ok: true, text: value }
    : refuse(`The calendar could not be written: ${error?.message ?? 'unknown'}.`)
}
