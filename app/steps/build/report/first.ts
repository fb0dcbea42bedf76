import { pumpsOf } from '#core/network'
import { designStorm, nameOf, weatherMonths, type Site } from '#core/site'
import { counted, listed } from '#core/words'
import type { Kind } from '#core/units'
import type { Paper } from '~/print/paper'
import type { ReportFacts } from './reportFacts'

type Show = (value: number, kind: Kind) => string

/** Where a site lies, in words. */
export function placeWords({ place }: Site, show: Show): string {
  const { latitudeDeg, altitudeM } = place
  const side = latitudeDeg < 0 ? 'south' : 'north'
  const whole = show(altitudeM, 'length').replace(/(?<=ft) .*$/, '')
  return `${Math.abs(latitudeDeg).toFixed(1)}° ${side}, ${whole} above the sea`
}

/** What the figures stand on that nobody has looked at: rain, storm, what is left out, prices and curves of their kind. */
export function assumedOf(site: Site, show: Show): string[] {
  const rainMm = weatherMonths(site).reduce((sum, month) => sum + month.rainMm, 0)
  const storm = designStorm(site)
  const usual = pumpsOf(site).filter(({ pump }) => !pump.curve)
  return [
    `Rain: ${site.climate.source}; a mean year brings ${show(rainMm, 'rain')}.`,
    ...(storm
      ? [`The storm that gutters and overflows are held to: ${show(storm.intensityMmPerH, 'intensity')}.`]
      : []),
    'Water runs steadily between one event and the next; blows in the pipes are left out. Lines to tanks run full.',
    ...(usual.length === 1 ? ['One pump runs on the usual curve of its kind.'] : []),
    ...(usual.length > 1 ? [`${usual.length} pumps run on the usual curves of their kinds.`] : []),
    'Prices are guesses where nobody has noted one.',
  ]
}

/** What only somebody in the yard can find out, and has not yet said. */
export function unmeasuredOf(site: Site): string[] {
  const guessed = site.runs.filter(run => run.parts.some(part => part.kind === 'pipe' && part.guessed))
  const wells = site.nodes.filter(node => node.kind === 'well' && node.specificCapacityLpsPerM === undefined)
  const mains = site.nodes.filter(node => node.kind === 'main' && node.flowTest === undefined)
  const names = (nodes: readonly { id: string }[]) => listed(nodes.map(({ id }) => nameOf(site, id)))
  return [
    ...(guessed.length
      ? [`The length of pipe of ${counted(guessed.length, 'line')} is a guess from its heights.`]
      : []),
    ...(wells.length ? [`How far ${names(wells)} falls while it is pumped: no pumping test is noted.`] : []),
    ...(mains.length ? [`What ${names(mains)} gives at an open tap: no flow test is noted.`] : []),
    ...(site.place.frostDepthM === undefined ? ['How deep the frost goes: reckoned from the months.'] : []),
    'What the ground bears and how fast it takes water, but for what a spade tells.',
  ]
}

/** Page one of a site's papers. */
export const firstPage = (
  kind: string,
  told: Pick<ReportFacts, 'site' | 'on' | 'plan' | 'section' | 'headlines' | 'cautions' | 'show'>,
): Paper => ({
  site: told.site,
  kind,
  on: told.on,
  plan: told.plan,
  section: told.section,
  place: placeWords(told.site, told.show),
  figures: told.headlines,
  cautions: told.cautions,
  assumed: assumedOf(told.site, told.show),
  unmeasured: unmeasuredOf(told.site),
})
