import type { Content } from 'pdfmake/interfaces'
import { max } from 'd3-array'
import { small, subheading, table } from '~/print/paper'
import { findSum, solveSum, tankHeight } from '#core/sums'
import { PUMPS } from '#core/catalog'
import { drawdownInput, drawnBy, dutyAt, pumpsOf } from '#core/network'
import {
  bedNeedInput,
  bedNeeds,
  chamberAreaM2,
  chamberVolumeL,
  designStorm,
  footingOf,
  meanYearYieldInput,
  roofAreaM2,
  runName,
  tanksOf,
  type Site,
} from '#core/site'
import type { ReportFacts } from './reportFacts'

/** A figure of the plan: what it is of, and the sum that gives it. */
interface Worked {
  of: string
  name: string
  input: Record<string, unknown>
}
const rounded = (value: number, digits = 3): number => Number(value.toFixed(digits))

/** The figures that a plan stands on, each as the sum that gives it: roofs, beds, chambers, tanks, pressure, pumps. */
export function sumsOf(site: Site): Worked[] {
  const storm = designStorm(site)
  return [
    ...site.roofs.flatMap((roof): Worked[] => {
      const planAreaM2 = rounded(roofAreaM2(roof), 2)
      return [
        { of: roof.name, name: 'roof-yield', input: meanYearYieldInput(site, roof) },
        ...(storm
          ? [{ of: roof.name, name: 'storm-flow', input: { planAreaM2, intensityMmPerH: storm.intensityMmPerH } }]
          : []),
      ]
    }),
    ...site.uses.flatMap(({ name: of, amount }): Worked[] => {
      if (amount.by !== 'bed') return []
      const needs = bedNeeds(site, amount)
      const peak = needs.indexOf(max(needs)!)
      return [{ of, name: 'garden-need', input: { ...bedNeedInput(site, amount, peak + 1) } }]
    }),
    ...site.nodes.flatMap((chamber): Worked[] => {
      if (chamber.kind !== 'chamber') return []
      const planAreaM2 = rounded(chamberAreaM2(site, chamber.id), 2)
      if (!planAreaM2) return []
      const depthMm = rounded(chamberVolumeL(chamber) / planAreaM2)
      return [{ of: chamber.name, name: 'first-flush-volume', input: { planAreaM2, depthMm } }]
    }),
    ...tanksOf(site).flatMap((tank): Worked[] => [
      { of: tank.name, name: 'tank-volume', input: { ...tank.shape, levelM: tankHeight(tank.shape) } },
      { of: tank.name, name: 'base-load', input: { ...footingOf(tank).load } },
    ]),
    ...site.nodes.flatMap((vessel): Worked[] => {
      if (vessel.kind !== 'pressureTank') return []
      const input = { ...drawdownInput(vessel, vessel.volumeL) }
      return [{ of: vessel.name, name: 'pressure-tank-drawdown', input }]
    }),
    ...pumpsOf(site).flatMap(({ run, pump }): Worked[] => {
      const { flowLps, headM } = dutyAt(pump)
      if (!(flowLps > 0)) return []
      const { efficiency, currentA, volts } = drawnBy(site, pump, { flowLps, headM })
      const of = `${PUMPS[pump.pump].name} in “${runName(site, run)}”`
      return [
        { of, name: 'pump-power', input: { flowLps: rounded(flowLps), headM: rounded(headM), efficiency } },
        ...(pump.cable
          ? [{ of, name: 'voltage-drop', input: { currentA: rounded(currentA), volts, ...pump.cable } }]
          : []),
      ]
    }),
  ]
}

const number = (value: number): string => {
  const near = Number(value.toPrecision(4))
  return Math.abs(near) >= 1e6 ? near.toExponential() : String(near)
}

function worked({ of, name, input }: Worked): Content[] {
  const solved = solveSum(name, input)
  if (!solved.ok) return []
  const rows = solved.working.map(({ symbol, expression, value, unit }) => [
    symbol,
    expression,
    `${number(value)} ${unit}`,
  ])
  const title = subheading(`${of}: ${findSum(name)!.purpose}`)
  return [{ stack: [title, table(['auto', '*', 'auto'], rows), small(solved.source)], unbreakable: true }]
}

/** The sums behind the plan's figures, then those behind what was found, each worked out, with where it comes from. */
export const sums = ({ site, review }: ReportFacts): Content[] => {
  const plan = sumsOf(site)
  const known = new Set(plan.map(({ name, input }) => JSON.stringify([name, input])))
  const found = (review?.findings ?? []).flatMap(({ sum }): Worked[] => {
    if (!sum || known.has(JSON.stringify([sum.name, sum.input]))) return []
    known.add(JSON.stringify([sum.name, sum.input]))
    return [{ of: 'Found', ...sum }]
  })
  return [
    small('Worked in litres, metres and kilopascals, whatever the plan is told in.'),
    ...[...plan, ...found].flatMap(worked),
  ]
}
