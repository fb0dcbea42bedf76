import { dayWords } from '~/fields/days'
import type { StepContext, StepFigure, Subject } from '~/steps/step'
import { answersOf } from '~/engine/answers'
import { thingName, type Site } from '#core/site'
import { dueChores, inForce, type DueChore } from '#core/keep'

const dueOf = answersOf('due', (site, { on }) => dueChores(site, site.log ?? [], on))
/** What is due on a day. */
export const dueFor = (site: Site, on: string): DueChore[] => dueOf(site, { on }) ?? []
export const SOON_DAYS = 14

export function subjects({ site }: StepContext, on: string): Subject[] {
  if (!site.nodes.length) return []
  const due = dueFor(site, on).filter(({ inDays }) => inDays <= SOON_DAYS).length
  return [
    { id: 'today', name: 'Today', holds: [] },
    { id: 'log', name: 'The log', figure: String(site.log?.length ?? 0), holds: [] },
    { id: 'devices', name: 'Devices', figure: site.devices?.length ? String(site.devices.length) : '', holds: [] },
    { id: 'chores', name: 'Chores', figure: due ? `${due} due` : '', holds: [] },
    { id: 'life', name: 'Plan against life', holds: [] },
    {
      id: 'drought',
      name: 'Restrictions',
      figure: inForce(site, on).length ? 'in force' : '',
      holds: [],
    },
    { id: 'signs', name: 'What is it doing?', holds: [] },
    { id: 'binder', name: 'Handing over', holds: [] },
  ]
}

/** What was read last, how long the log is, and what is due. */
export function figures({ site, show }: StepContext, on: string): StepFigure[] {
  const early = true
  const log = site.log ?? []
  const newest = (kind: string) =>
    log.reduce<(typeof log)[number] | undefined>(
      (best, each) => (each.kind === kind && (!best || each.at > best.at) ? each : best),
      undefined,
    )
  const [level, rain] = [newest('level'), newest('rain')]
  const due = dueFor(site, on)
  const late = due.filter(({ inDays }) => inDays <= 0)
  return [
    {
      name: 'Read last',
      early,
      value: level?.value === undefined ? 'nothing yet' : show(level.value, 'length'),
      note: level
        ? `${thingName(site, level.subject ?? '')}, ${dayWords(level.at.slice(0, 10), on)}`
        : 'log a level to begin',
    },
    {
      name: 'Rain last',
      early,
      value: rain?.value === undefined ? 'not read' : show(rain.value, 'rain'),
      note: rain ? dayWords(rain.at.slice(0, 10), on) : 'a gauge tells what the roof could have given',
    },
    { name: 'Due', early, value: String(late.length), note: late[0]?.what ?? (due[0] ? `next: ${due[0].what}` : '') },
    {
      name: 'In the log',
      early,
      value: String(log.length),
      note: log.length
        ? `since ${dayWords(log.reduce((least, { at }) => (at < least ? at : least), '9999').slice(0, 10), on)}`
        : 'nothing is written yet',
    },
  ]
}
