import { bestFirst, defineCheck, nodeSubject, subjectOfRun, type Finding } from '../finding'
import { length, pressure, say, speed } from '../../words'
import { moveOf, setField } from '../../moves'
import { airAt, singleTapFlows, type Air } from '../../network'
import { feedsOf, graphOf, nameOf, runName, type Run, type Site } from '../../site'
import type { PartOf } from '../../kinds'
import { pipeSeries, sizeName, usualSeries, type PipeSeriesId } from '../../catalog'

/** Above this water is loud, and a tap shut quickly hammers. */
const FAST_MPS = 2

const joinsTanks = (site: Site, run: Run): boolean =>
  !run.parts.some(({ kind }) => kind === 'pump') &&
  [run.from, run.to].every(({ node }) => graphOf(site).node(node)?.kind === 'tank')

/** Wider pipe lets a little more through. */
const MORE_THROUGH = 1.1

/** Where a wider pipe lets in more than that, the next ones are tried. */
const MOST_TRIED = 3

/** Sizes of a pipe's own series, else of what is usually bought here, in which what it carries runs quietly. */
function quietSizes(
  site: Site,
  { series = usualSeries(site.standards.pipes), innerDiameterMm }: PartOf<'pipe'>,
  velocityMps: number,
): { series: PipeSeriesId; size: string }[] {
  const leastMm = innerDiameterMm * Math.sqrt((MORE_THROUGH * velocityMps) / FAST_MPS)
  const sold = pipeSeries(series).sizes.filter(({ innerMm }) => innerMm >= leastMm)
  return sold.slice(0, MOST_TRIED).map(({ size }) => ({ series, size }))
}

export const waterTooFast = defineCheck({
  id: 'water-too-fast',
  step: 'lift',
  harms: 'cost',
  needs: ['site'],
  sound: 'Water runs quietly in every pipe',
  find: ({ site }) => {
    const fastest = new Map<string, number>()
    for (const { moment } of new Set(singleTapFlows(site, 'full').values()))
      for (const [id, { velocityMps }] of Object.entries(moment.runs))
        fastest.set(id, Math.max(fastest.get(id) ?? 0, velocityMps))
    return site.runs.flatMap((run): Finding[] => {
      const velocityMps = fastest.get(run.id) ?? 0
      const pipe = run.parts.find(part => part.kind === 'pipe')
      // Between tanks nobody shuts a tap, and nobody hears it.
      if (velocityMps <= FAST_MPS || !pipe || joinsTanks(site, run)) return []
      return [
        {
          id: `water-too-fast:${run.id}`,
          check: 'water-too-fast',
          severity: 'look',
          subject: subjectOfRun(site, run),
          sentence: say`Water runs at ${speed(velocityMps)} in “${runName(site, run)}”: it hisses, and a tap shut
            quickly hammers.`,
          why: say`Above ${speed(FAST_MPS)} pipes are loud, friction eats the pressure, and each quick shut-off strikes
            the line. Wider pipe brings it down.`,
          numbers: { velocityMps, boreMm: pipe.innerDiameterMm },
          ...bestFirst(
            ...quietSizes(site, pipe, velocityMps).map(wider => ({
              label: `Lay it in ${sizeName(wider.size, site.standards.units)} ${pipeSeries(wider.series).name}`,
              move: moveOf('layPipe', { run: run.id, ...wider }),
            })),
          ),
        },
      ]
    })
  },
})

export const airInLine = defineCheck({
  id: 'air-in-line',
  step: 'lift',
  harms: 'season',
  follows: ['suction-too-high', 'hump-without-vent'],
  needs: ['site'],
  sound: 'The pressure stands above every pipe',
  find: ({ site }) => {
    const moments = new Set([...singleTapFlows(site, 'low').values()].map(({ moment }) => moment))
    const lowest = new Map<string, Air>()
    for (const moment of moments)
      for (const air of airAt(site, moment))
        if (air.pressureKPa < (lowest.get(air.id)?.pressureKPa ?? 0)) lowest.set(air.id, air)
    return [...lowest.values()].map(({ id, on, pressureKPa }): Finding => {
      const name = nameOf(site, id)
      const where = on ? say`At ${length(on.heightM)} along “${runName(site, on.run)}”` : say`At ${name}`
      return {
        id: `air-in-line:${id}`,
        check: 'air-in-line',
        severity: 'wrong',
        subject: on ? subjectOfRun(site, on.run) : nodeSubject({ id, name }),
        sentence: [
          ...where,
          ...say` the pressure falls ${pressure(-pressureKPa)} below the air’s: air is drawn in there, and the line stops.`,
        ],
        why: say`The line of pressure runs below the pipe there while a tap is open. Lower that place, lay what leads to
          it wider, or open less behind it.`,
        numbers: { pressureKPa },
      }
    })
  },
})

export const humpWithoutVent = defineCheck({
  id: 'hump-without-vent',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'No line that falls from a tank humps without a vent',
  find: ({ site }) =>
    feedsOf(site)
      .filter(feed => feed.lift === 'gravity' && feed.source.kind === 'tank')
      .flatMap(feed => humpsOf(site, feed)),
})

/** Rises of this much along a line hold air. */
const HUMP_M = 0.1
const VENT_OVER_M = 0.3

function humpsOf(site: Site, { source, trunk }: ReturnType<typeof feedsOf>[number]): Finding[] {
  if (source.kind !== 'tank') return []
  const graph = graphOf(site)
  const topM = source.baseM + Math.max(...source.ports.map(port => port.heightM))
  return trunk.flatMap((run, at): Finding[] => {
    const humps = (run.profile ?? []).filter((place, index, all) => {
      const before = index ? all[index - 1]!.heightM : graph.node(run.from.node)!.baseM
      const after = all[index + 1]?.heightM ?? graph.node(run.to.node)!.baseM
      return place.heightM > before + HUMP_M && place.heightM > after + HUMP_M
    })
    const joint = graph.node(run.to.node)
    const next = trunk[at + 1]
    const jointHumps =
      joint?.kind === 'joint' &&
      next !== undefined &&
      joint.baseM > graph.node(run.from.node)!.baseM + HUMP_M &&
      joint.baseM > graph.node(next.to.node)!.baseM + HUMP_M
    const found = humps.map((place): Finding => ({
      id: `hump-without-vent:${place.id}`,
      check: 'hump-without-vent',
      severity: 'look',
      subject: subjectOfRun(site, run),
      sentence: say`“${runName(site, run)}” rises to ${length(place.heightM)} on its way: air gathers there and chokes it.`,
      why: say`It falls again behind that. Lay it falling all the way, or stand a vent pipe there that is higher than the
        top of the tank, ${length(topM)}: it cannot overflow, and lets the air out.`,
      numbers: { heightM: place.heightM, topM },
      mend: {
        label: 'Lay it without the hump',
        move: moveOf('shapeRun', { run: run.id, places: run.profile!.filter(each => each.id !== place.id) }),
      },
    }))
    if (!jointHumps || joint.kind !== 'joint' || (joint.ventTopM ?? -Infinity) > topM) return found
    const ventTopM = Math.round((topM + VENT_OVER_M) * 100) / 100
    const name = nameOf(site, joint.id)
    return [
      ...found,
      {
        id: `hump-without-vent:${joint.id}`,
        check: 'hump-without-vent',
        severity: 'look',
        subject: nodeSubject({ id: joint.id, name }),
        sentence:
          joint.ventTopM === undefined
            ? say`The line humps at ${name} and has no vent there: air gathers and chokes it.`
            : say`The vent at ${name} ends lower than the top of ${source.name}: a full tank runs out of it.`,
        why: say`A vent pipe that stands higher than the top of the tank, ${length(topM)}, lets the air out and cannot
          overflow.`,
        numbers: { heightM: joint.baseM, topM },
        mend: {
          label: say`Stand a vent pipe there, up to ${length(ventTopM)}`,
          move: setField('node', joint.id, 'ventTopM', ventTopM),
        },
      },
    ]
  })
}
