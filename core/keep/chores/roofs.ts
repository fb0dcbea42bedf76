import { HIGH_M, LADDER, months, type Chore } from './chore'
import { graphOf, summerMonths, type Site } from '../../site'

/** The middle of the month in which leaves are down, and of the one in which blossom and pollen are. */
function leafDays({ place }: Site): { month: number; day: number }[] {
  // Leaves are down in November, or south of the equator in May; blossom is half a year from it.
  const south = summerMonths(place.latitudeDeg).includes(0)
  const [leaves, blossom] = south ? [6, 11] : [11, 5]
  return [
    { month: leaves, day: 15 },
    { month: blossom, day: 15 },
  ]
}

/** What gutters and their guards ask for. */
export function roofChores(site: Site, { id, name, spouts }: Site['roofs'][number]): Chore[] {
  const eaveM = Math.max(0, ...spouts.map(({ nodeId }) => heightOf(site, nodeId)))
  const climbs = eaveM > HIGH_M ? { caution: LADDER } : {}
  const guarded = spouts.some(({ gutter }) => gutter && gutter.guard !== 'none')
  return [
    {
      id: `gutter:${id}`,
      subject: id,
      what: `Clear the gutter of ${name}`,
      why: 'Leaves hold water back, and what rots in them colours it.',
      tools: ['ladder', 'scoop', 'bucket', 'hose'],
      minutes: [20, 60],
      ...climbs,
      done: 'A bucket of water runs to the spout without standing.',
      skipping: 'In a hard shower the roof’s water goes over the edge instead of into the tank.',
      comes: { by: 'season', days: leafDays(site) },
    },
    ...(guarded
      ? [
          {
            id: `guard:${id}`,
            subject: id,
            what: `Brush the gutter guard of ${name}`,
            why: 'Fine dirt and pollen close a guard long before leaves do.',
            tools: ['ladder', 'brush'],
            minutes: [15, 40] as [number, number],
            ...climbs,
            done: 'Light shows through it.',
            skipping: 'Rain runs over the guard and off the edge.',
            comes: months(6),
          },
        ]
      : []),
  ]
}
const heightOf = (site: Site, id: string): number => {
  const node = graphOf(site).node(id)
  return node ? node.baseM - node.groundM : 0
}
