import { thingName, graphOf, runName, type Site } from '#core/site'
import type { EventKind, PlantEvent } from '#core/plant'

/** What happened, in words: of what, with its figure where it has one. */
type Said = (site: Site, event: PlantEvent, show: Show) => string
export type Show = (value: number, kind: import('#core/units').Kind) => string

const nameOf = (site: Site, id: string): string => {
  const run = graphOf(site).run(id)
  return run ? `“${runName(site, run)}”` : thingName(site, id, 'a part')
}
const valveName = (site: Site, part: string): string => {
  const run = graphOf(site).runWith(part)
  return run ? `the valve in “${runName(site, run)}”` : 'a valve'
}

const at = (kPa: number | undefined, show: Show) => (kPa === undefined ? '' : `, ${show(kPa, 'pressure')}`)

const SAID: Record<EventKind, Said> = {
  'pump-starts': (site, { id, value }, show) => `The pump of ${nameOf(site, id)} starts${at(value, show)}`,
  'pump-stops': (site, { id, value }, show) => `The pump of ${nameOf(site, id)} stops${at(value, show)}`,
  'runs-dry': (site, { id }) => `The pump of ${nameOf(site, id)} finds air, and gives nothing`,
  trips: (site, { id }) => `The inverter trips as the pump of ${nameOf(site, id)} starts, and it stays off`,
  'battery-empty': () => 'The battery is empty',
  'well-dry': (site, { id, value = 0 }, show) =>
    `${nameOf(site, id)} is down to its pump: it draws air, and only ${show(value, 'flow')} come in`,
  'well-back': (site, { id, value = 0 }, show) =>
    `The water of ${nameOf(site, id)} is back above its pump: ${show(value, 'volume')}`,
  'float-shuts': (site, { id }) => `The float of ${nameOf(site, id)} shuts`,
  'float-opens': (site, { id }) => `The float of ${nameOf(site, id)} opens`,
  spills: (site, { id }) => `${nameOf(site, id)} is full and spills`,
  'spill-ends': (site, { id }) => `${nameOf(site, id)} no longer spills`,
  'mouth-dry': (site, { id }) => `${nameOf(site, id)} is down to its draw-off`,
  'chamber-full': (site, { id }) => `${nameOf(site, id)} is full, its ball shuts it`,
  'chamber-empty': (site, { id }) => `${nameOf(site, id)} has run out`,
  'tap-opens': (site, { id, value }) =>
    `${nameOf(site, id)} opened${value !== undefined && value < 1 ? ` to ${Math.round(100 * value)} %` : ''}`,
  'tap-shuts': (site, { id }) => `${nameOf(site, id)} shut`,
  'draw-done': (site, { id }) => `${nameOf(site, id)}: what was wanted has come`,
  'draw-given-up': (site, { id, value = 0 }, show) =>
    `${nameOf(site, id)}: given up, ${show(value, 'volume')} never came`,
  'valve-opens': (site, { id }) => `Somebody opens ${valveName(site, id)}`,
  'valve-shuts': (site, { id }) => `Somebody shuts ${valveName(site, id)}`,
  'power-off': () => 'The power goes',
  'power-on': () => 'The power is back',
  'main-off': (site, { id }) => `${nameOf(site, id)} is off`,
  'main-on': (site, { id }) => `${nameOf(site, id)} is on again`,
  'rain-begins': (_, { value = 0 }, show) => `It rains, ${show(value, 'intensity')}`,
  'rain-ends': () => 'The rain ends',
  sun: (_, { value = 0 }) => `Sun on the panels: ${Math.round(100 * value)} %`,
  breaks: (site, { id }) => `Something breaks at ${breakPlaceName(site, id)}`,
  'vessel-empty': (site, { id }) => `${nameOf(site, id)} has given all its water`,
  unsettled: () => 'No steady flow was found for a moment; what is shown is the nearest',
}

/** A place where something can break: a part by its line, else by its name. */
export function breakPlaceName(site: Site, id: string): string {
  const run = graphOf(site).runWith(id)
  if (!run) return nameOf(site, id)
  const part = run.parts.find(each => each.id === id)!
  return `the ${part.kind} of “${runName(site, run)}”`
}

/** An event as a sentence of the book; a pump that starts often says so. */
export function eventSentence(site: Site, event: PlantEvent, all: readonly PlantEvent[], show: Show): string {
  const said = SAID[event.what](site, event, show)
  if (event.what !== 'pump-starts') return said
  const starts = all.filter(
    each => each.what === 'pump-starts' && each.id === event.id && each.atS > event.atS - 3600 && each.atS <= event.atS,
  ).length
  return starts > 2 ? `${said}, ${ORDINAL(starts)} time in an hour` : said
}
const ORDINAL = (count: number): string => {
  const ending = count % 100 > 10 && count % 100 < 14 ? 'th' : (['th', 'st', 'nd', 'rd'][count % 10] ?? 'th')
  return `${count}${ending}`
}
