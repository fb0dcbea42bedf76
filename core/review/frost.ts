import { sum } from 'd3-array'
import { warmthGuessed } from './weather'
import { defineCheck, nodeSubject, subjectOfRun, type Finding, type Mend } from './finding'
import { listed, length, monthNames, say, volume } from '../words'
import {
  coldMonths,
  frostDepthM,
  frostMonths,
  isExposed,
  joinedTanks,
  nodeById,
  reached,
  runName,
  tankNominalL,
  type Site,
} from '../site'
import { moveOf } from '../moves'
import type { Tank } from '../kinds'
import { MONTH_DAYS, weatherSeries } from '../climate'
import { runHoldsL } from '../network'
import { compile, simulate, type DailyRun } from '../balance'

const metL = (run: DailyRun) => ((sum(run.askedL) - sum(run.rationedL) - sum(run.shortL)) / run.days) * 365.25

/** Litres a mean year that uses miss while some tanks stand empty for some months. */
function missedL(site: Site, tanks: Tank[], months: number[], now: DailyRun): number {
  const nodes = site.nodes.map(node =>
    tanks.some(tank => tank.id === node.id) ? { ...node, drainedMonths: months } : node,
  )
  const drained: Site = { ...site, nodes: nodes as Site['nodes'] }
  const series = weatherSeries(site)
  return Math.max(
    0,
    metL(now) -
      metL(
        simulate(
          compile(drained, () => series),
          series,
        ),
      ),
  )
}

export const tankFreezes = defineCheck({
  id: 'tank-freezes',
  step: 'store',
  harms: 'season',
  costsWater: true,
  needs: ['site', 'pools', 'days'],
  sound: 'No tank stands full above the frost',
  find: ({ site, pools, days }) => {
    const cold = coldMonths(site)
    return pools.flatMap((pool): Finding[] => {
      const tanks = pool.tanks.filter(tank => isExposed(site, tank))
      const months = cold.filter(month => tanks.some(tank => !tank.drainedMonths?.includes(month)))
      if (!tanks.length || !months.length) return []
      const ids = tanks.map(tank => tank.id)
      const lostL = missedL(site, tanks, months, days)
      const by = (label: Mend['label'], way: 'indoors' | 'insulated' | 'heated'): Mend => ({
        label,
        move: moveOf('protectFromFrost', { ids, by: way }),
      })
      const names = listed(tanks.map(tank => tank.name))
      return [
        {
          id: `tank-freezes:${tanks[0]!.id}`,
          check: 'tank-freezes',
          severity: 'look',
          subject: nodeSubject(tanks[0]!, pool.name),
          sentence: say`${names} ${tanks.length > 1 ? 'freeze' : 'freezes'} in ${monthNames(months)}: full, and above
            ground.`,
          why: say`Those months are below freezing in the mean, and ice splits walls and fittings. Emptied for them, the
            plan gives ${volume(lostL)} a year less; buried below ${length(frostDepthM(site))}, lagged, heated or
            indoors costs no water.${warmthGuessed(site)}`,
          numbers: { lostL, months: months.length },
          answers: [
            {
              label: `Empty for ${monthNames(months)}`,
              move: moveOf('protectFromFrost', { ids, by: 'drained', months }),
            },
            by('It stands indoors', 'indoors'),
            by('It is lagged', 'insulated'),
            by('It is heated', 'heated'),
            ...(tanks.length === 1
              ? [
                  {
                    label: 'Take one made for burying',
                    move: moveOf('setKind', { tank: tanks[0]!.id, kind: 'buried', volumeL: tankNominalL(tanks[0]!) }),
                  },
                ]
              : []),
          ],
        },
      ]
    })
  },
})

/** Lines that stand full: from a tank, a well or a main to what draws from it, not those that rain runs through. */
function fullLines(site: Site) {
  return site.runs.filter(run => {
    const [from, to] = [nodeById(site, run.from.node), nodeById(site, run.to.node)]
    const port = from.kind === 'tank' ? from.ports.find(each => each.name === run.from.port) : undefined
    if (!['tank', 'well', 'main', 'pressureTank'].includes(from.kind) || port?.role === 'overflow') return false
    return to.kind !== 'outfall'
  })
}

export const lineFreezes = defineCheck({
  id: 'line-freezes',
  step: 'store',
  harms: 'season',
  follows: ['bypass-shut-in-frost', 'wet-line-undrained'],
  costsWater: true,
  needs: ['site', 'outlook'],
  sound: 'No line stands full above the frost',
  find: ({ site, outlook }) => {
    const months = frostMonths(site)
    if (!months.length) return []
    const drained = (id: string) => {
      const node = nodeById(site, id)
      return (
        node.kind === 'tank' &&
        joinedTanks(site, node).every(tank => months.every(month => tank.drainedMonths?.includes(month)))
      )
    }
    const lines = fullLines(site).filter(
      run =>
        !run.frostProof &&
        !drained(run.from.node) &&
        [run.from, run.to].some(end => isExposed(site, nodeById(site, end.node))),
    )
    if (!lines.length) return []
    const taps = new Set(lines.flatMap(run => [...reached(site, run.to.node, { along: 'down' })]))
    const askedL = sum(
      site.uses.filter(use => taps.has(use.at)),
      use =>
        sum(
          months,
          month =>
            (outlook.asks.find(({ id }) => id === use.id)?.litresPerDay[month - 1] ?? 0) * MONTH_DAYS[month - 1]!,
        ),
    )
    const holdL = sum(lines, runHoldsL)
    const ids = lines.map(run => run.id)
    const by = (label: string, way: 'buried' | 'insulated' | 'heated' | 'drained' | 'indoors'): Mend => ({
      label,
      move: moveOf('protectFromFrost', { ids, by: way }),
    })
    return [
      {
        id: `line-freezes:${ids[0]!}`,
        check: 'line-freezes',
        severity: 'look',
        subject: subjectOfRun(site, lines[0]!),
        sentence: say`The water in ${lines.length > 1 ? `${lines.length} lines` : `“${runName(site, lines[0]!)}”`} freezes
          in ${monthNames(months)}.`,
        why: [
          ...say`${listed(lines.map(run => `“${runName(site, run)}”`))}: ${volume(holdL)} stand in
            ${lines.length > 1 ? 'them' : 'it'}, above ${length(frostDepthM(site))} of frost. `,
          ...(askedL > 0.5
            ? say`Let out for those months, ${volume(askedL)} that the uses ask then do not come.`
            : say`Let out for those months, nothing is missed.`),
          warmthGuessed(site),
        ],
        numbers: { lines: lines.length, holdL, askedL, frostDepthM: frostDepthM(site) },
        answers: [
          by('Buried below the frost', 'buried'),
          by('Lagged', 'insulated'),
          by('Heated by a cable', 'heated'),
          by('Let out for the winter', 'drained'),
          by('Indoors', 'indoors'),
        ],
      },
    ]
  },
})
