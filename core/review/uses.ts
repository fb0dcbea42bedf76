import { defineCheck, type Finding, type Mend } from './finding'
import { DRINKING_FAULTS } from './drinking'
import { drinkingFaults, singleTapFlows } from '../network'
import { length, say } from '../words'
import {
  nodeById,
  portHeightM,
  portsByRole,
  reached,
  roofAreaM2,
  roofCautions,
  runsTo,
  tanksOf,
  wayTo,
  type Site,
  type Use,
} from '../site'
import { moveOf } from '../moves'
import type { Quality } from '../catalog'

/** A lamp is rated for what the tap passes; with the treatment in its line that is less. */
function treatedFor(site: Site, tapId: string): { ratedLps?: number } {
  const flowLps = singleTapFlows(site, 'full').get(tapId)?.flowLps ?? 0
  return flowLps > 0 ? { ratedLps: Math.ceil(flowLps * 20) / 20 } : {}
}

export const untreatedDrinking = defineCheck({
  id: 'untreated-drinking',
  step: 'need',
  harms: 'people',
  follows: ['lamp-without-sensor', 'treatment-overrun'],
  costsWater: true,
  needs: ['site'],
  sound: 'Nothing is drunk untreated',
  find: ({ site }) =>
    site.uses
      .filter(use => use.quality === 'drinking')
      .flatMap(use => {
        // A main is drinking water already; what a tank or a well gives is not.
        const [first] = drinkingFaults(site, use.at)
        if (!first) return []
        return [
          {
            id: `untreated-drinking:${use.id}`,
            check: 'untreated-drinking',
            severity: 'wrong' as const,
            subject: { kind: 'use' as const, id: use.id, name: use.name },
            sentence: say`${use.name} is meant for drinking, and ${DRINKING_FAULTS[first.fault]}.`,
            why: say`Roof and well water can carry germs. Drinking wants, in this order, filters down to 5 µm, carbon, and
              ultraviolet light with a sensor, rated for the flow, and only pipe behind it. Local code and a licensed
              trade decide; test the water.`,
            numbers: {},
            mend: {
              label: 'Fit filters, carbon and a lamp',
              move: moveOf('fitTreatment', { tap: use.at, ...treatedFor(site, use.at) }),
            },
          },
        ]
      }),
})

export const roofUnfit = defineCheck({
  id: 'roof-unfit',
  step: 'catch',
  harms: 'people',
  costsWater: true,
  needs: ['site', 'lines'],
  sound: 'No roof spoils the water for what it is used for',
  find: ({ site, lines }) => {
    const qualities = [...new Set(site.uses.map(use => use.quality))]
    return site.roofs.flatMap(roof =>
      roof.spouts.flatMap(({ nodeId }): Finding[] => {
        const spout = site.nodes.find(node => node.id === nodeId)
        const kept =
          lines.some(line => line.spout.id === nodeId) && spout?.kind === 'spout' && spout.bypassMonths?.length !== 12
        const spoiled = qualities.filter(quality => roofCautions(roof, quality).length)
        if (!kept || !spoiled.length) return []
        return [
          {
            id: `roof-unfit:${roof.id}:${nodeId}`,
            check: 'roof-unfit',
            severity: 'look',
            subject: { kind: 'roof', id: roof.id, name: roof.name },
            sentence: say`Water off ${roof.name} is doubtful for
              ${spoiled.map(quality => FOR_WORDS[quality]).join(' and ')}.`,
            why: say`${sentenceCase([...new Set(spoiled.flatMap(quality => roofCautions(roof, quality)))].join('; '))}.
              Filters and a lamp do not take that out; test the water, use it for something else, or keep this roof
              out of the tank.`,
            numbers: { areaM2: roofAreaM2(roof) },
            mend: {
              label: `Send ${spout.name} to ground`,
              move: moveOf('setBypass', { spout: nodeId, months: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] }),
            },
          },
        ]
      }),
    )
  },
})

const FOR_WORDS: Record<Quality, string> = {
  garden: 'the garden',
  washing: 'washing',
  animals: 'animals',
  drinking: 'drinking',
}
const sentenceCase = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

export const useWithoutSupply = defineCheck({
  id: 'use-without-supply',
  step: 'need',
  harms: 'season',
  follows: ['arrow-against-flow', 'suction-too-high', 'tank-off-its-base'],
  needs: ['site', 'pools', 'compiled'],
  sound: 'Water can reach every use',
  find: ({ site, pools, compiled }) =>
    compiled.demands.flatMap(demand => {
      const use = site.uses.find(candidate => candidate.id === demand.id)!
      const subject = { kind: 'use' as const, id: use.id, name: use.name }
      if (!demand.sources.length) {
        const feeds = runsTo(site, use.at).length
        return [
          {
            id: `use-without-supply:${use.id}`,
            check: 'use-without-supply',
            severity: 'wrong' as const,
            subject,
            sentence: say`No water reaches ${use.name}.`,
            why: feeds
              ? say`A shut valve or a missing run cuts its line off from every tank.`
              : say`No line leads to its tap.`,
            numbers: {},
            mend: supplyMend(site, use),
          },
        ]
      }
      const dry = demand.sources.find(source => source.kind === 'pool' && source.keepL >= pools[source.index]!.capL - 1)
      if (!dry || demand.sources.some(source => source !== dry)) return []
      const pool = pools[dry.index]!
      const tapM = nodeById(site, use.at).baseM
      return [
        {
          id: `use-without-supply:${use.id}`,
          check: 'use-without-supply',
          severity: 'wrong' as const,
          subject,
          sentence: say`${use.name} gets nothing: even a full ${pool.name} stands lower than its tap.`,
          why: say`The tap is at ${length(tapM)}, the full water at ${length(pool.capM)}, and no pump lifts it.`,
          numbers: { tapM, fullM: pool.capM },
          mend: liftMend(
            site,
            use.at,
            pool.tanks.map(({ id }) => id),
          ),
        },
      ]
    }),
})

/**
 * The valve that is shut on the way to a use, to be opened; else a line to it from the first tank, or from a well or a
 * main that stands there.
 */
function supplyMend(site: Site, { id, at }: Use): Mend | undefined {
  const runs = [...reached(site, at, { along: 'up' })].flatMap(node => runsTo(site, node))
  const valve = runs.flatMap(run => run.parts).find(part => part.kind === 'valve' && !part.open)
  if (valve) return { label: 'Open the valve', move: moveOf('turnValve', { part: valve.id, open: true }) }
  const source =
    tanksOf(site).find(tank => portsByRole(tank, 'outlet').length) ??
    site.nodes.find(node => node.kind === 'well' || node.kind === 'main')
  return source && !runs.length
    ? { label: `Draw it from ${source.name}`, move: moveOf('drawFrom', { use: id, tank: source.id }) }
    : undefined
}

/** A pump goes just behind the outlet's valve of the line that leaves the tank. */
export function liftMend(site: Site, tap: string, tanks: readonly string[]) {
  const run = wayTo(site, tap)?.steps.at(-1)?.run
  if (!run || !tanks.includes(run.from.node)) return undefined
  const liftM = Math.max(1, nodeById(site, tap).baseM - portHeightM(site, run.from))
  return {
    label: 'Put a pump in the line',
    move: moveOf('insertPart', {
      run: run.id,
      before: run.parts[1]?.id,
      part: { kind: 'pump', pump: 'on-demand', flowLps: 0.3, headM: Math.ceil(liftM + 15) },
    }),
  }
}
