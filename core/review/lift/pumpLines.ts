import { USUAL_BORE_MM } from '../../catalog'
import { defineCheck, subjectOfRun, type Finding } from '../finding'
import { flow, length, say } from '../../words'
import { moveOf, setField } from '../../moves'
import { momentWith, pumpsOf, runLossM, suckingOf } from '../../network'
import { feedOfRun, fillingsOf, graphOf, runName, type Site } from '../../site'

export const rigidAtPump = defineCheck({
  id: 'rigid-at-pump',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'Between tanks and their pumps the line gives, and pumps come out by unions',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const at = run.parts.indexOf(pump)
      const source = graphOf(site).node(run.from.node)
      const before = run.parts.slice(0, at)
      if (source?.kind !== 'tank' || run.from.port.startsWith('overflow')) return []
      const boreMm = boreNear(run.parts, at)
      const rigid =
        at > 0 && before.some(part => part.kind === 'pipe') && !before.some(part => part.kind === 'flexible')
      const union = run.parts.slice(Math.max(0, at - 3), at + 4).some(part => part.kind === 'union')
      const common = {
        check: 'rigid-at-pump',
        severity: 'look' as const,
        subject: subjectOfRun(site, run),
        numbers: {},
      }
      return [
        ...(rigid
          ? [
              {
                ...common,
                id: `rigid-at-pump:${pump.id}`,
                sentence: say`A rigid pipe joins ${source.name} and its pump: as the tank swells and sinks, it cracks at a
                  fitting.`,
                why: say`A full tank bulges by centimetres. A flexible coupling, or a pipe with a bend that gives, takes
                  that up.`,
                mend: {
                  label: 'Fit a flexible coupling',
                  move: moveOf('insertPart', {
                    run: run.id,
                    before: pump.id,
                    part: { kind: 'flexible', lengthM: 0.5, innerDiameterMm: boreMm },
                  }),
                },
              },
            ]
          : []),
        ...(union
          ? []
          : [
              {
                ...common,
                id: `rigid-at-pump:union:${pump.id}`,
                sentence: say`The pump of “${runName(site, run)}” has no union: to change it one must saw.`,
                why: say`Pumps, checks and filters wear. A union on each side lets them come out without cutting pipe.`,
                mend: {
                  label: 'Fit a union behind it',
                  move: moveOf('insertPart', {
                    run: run.id,
                    ...(run.parts[at + 1] ? { before: run.parts[at + 1]!.id } : {}),
                    part: { kind: 'union', boreMm },
                  }),
                },
              },
            ]),
      ]
    }),
})

function boreNear(parts: readonly { kind: string }[], at: number): number {
  const near = [...parts.slice(at), ...parts.slice(0, at)].find(part => 'innerDiameterMm' in part || 'boreMm' in part)
  const sized = near as { innerDiameterMm?: number; boreMm?: number } | undefined
  return sized?.innerDiameterMm ?? sized?.boreMm ?? USUAL_BORE_MM
}

/** Share of a pump’s head that a float may take unnoticed. */
const CHOKING_SHARE = 0.1

export const floatChokes = defineCheck({
  id: 'float-chokes',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'No float valve chokes the pump before it',
  find: ({ site }) =>
    fillingsOf(site).flatMap(({ runs, pump, tank }): Finding[] => {
      const last = runs.at(-1)!
      const float = last.parts.find(part => part.kind === 'float')
      const { runs: states, converged } = momentWith(site, [], 'low')
      const flowLps = states[last.id]?.flowLps ?? 0
      if (!float || !converged || flowLps <= 0) return []
      // A float that takes little of what the pump gives does not choke it.
      const takesM = runLossM({ ...last, parts: [float] }, flowLps, site.place.waterTemperatureC)
      if (takesM < CHOKING_SHARE * pump.headM) return []
      const without: Site = {
        ...site,
        runs: site.runs.map(run => (run === last ? { ...run, parts: run.parts.filter(part => part !== float) } : run)),
      }
      const freeLps = momentWith(without, [], 'low').runs[last.id]?.flowLps ?? 0
      if (flowLps >= 0.75 * freeLps) return []
      const boreMm = Math.ceil(float.boreMm * 1.5)
      return [
        {
          id: `float-chokes:${float.id}`,
          check: 'float-chokes',
          severity: 'look',
          subject: subjectOfRun(site, last),
          sentence: say`The float valve at ${tank.name} chokes its pump: ${flow(flowLps)} come instead of
            ${flow(freeLps)}.`,
          why: say`Its seat is the narrowest place of the line. The pump of “${runName(site, runs[0]!)}” works against it
            all the time, which shows as a high running pressure.`,
          numbers: { flowLps, freeLps, boreMm: float.boreMm, madeForLps: pump.flowLps },
          mend: { label: 'Fit a wider one', move: setField('part', float.id, 'boreMm', boreMm) },
        },
      ]
    }),
})

/** A pump that stands deeper beside a buried tank stands in the soil, or in a pit that nobody has told of, m. */
const IN_SOIL_M = 0.3

export const pumpInSoil = defineCheck({
  id: 'pump-in-soil',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'No pump stands in the soil beside a buried tank',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const source = graphOf(site).node(run.from.node)
      const sucking = suckingOf(site, run, pump)
      if (source?.kind !== 'tank' || source.base !== 'buried' || !sucking) return []
      const deepM = source.groundM - sucking.pumpM
      if (deepM <= IN_SOIL_M) return []
      const feed = feedOfRun(site, run)
      return [
        {
          id: `pump-in-soil:${pump.id}`,
          check: 'pump-in-soil',
          severity: 'wrong',
          subject: subjectOfRun(site, run),
          sentence: say`The pump of “${runName(site, run)}” would stand ${length(deepM)} down in the soil beside
            ${source.name}: it floods, and nobody reaches it.`,
          why: say`A line through the wall of a buried tank leaves no room for a pump. It stands above, drawing through a
            hole under the lid, or in the water.`,
          numbers: { deepM },
          ...(feed?.trunk[0] === run
            ? {
                mend: {
                  label: 'Draw through a hole under the lid',
                  move: moveOf('liftBy', { run: run.id, by: feed.lift, hold: feed.hold }),
                },
              }
            : {}),
        },
      ]
    }),
})
