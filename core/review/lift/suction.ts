import { USUAL_BORE_MM } from '../../catalog'
import { defineCheck, subjectOfRun, type Finding } from '../finding'
import { length, say } from '../../words'
import { busiestLps, moveOf } from '../../moves'
import { pumpsOf, suctionInput, suctionOf } from '../../network'
import { feedsOf, graphOf, nameOf, runName, type Site } from '../../site'
import { does } from '../../kinds'

/** The most a pump of a site lifts: to its feed's taps at their busiest, or as it fills a tank. */
function busiestOf(site: Site, runId: string, madeForLps: number): number {
  const feed = feedsOf(site).find(({ trunk }) => trunk.some(run => run.id === runId))
  return feed ? Math.min(madeForLps * 1.2, Math.max(0.5 * madeForLps, busiestLps(site, feed.taps))) : madeForLps
}

export const suctionTooHigh = defineCheck({
  id: 'suction-too-high',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'No pump must suck higher than air pressure carries water',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const suction = suctionOf(site, run, pump, busiestOf(site, run.id, pump.flowLps))
      if (!suction || suction.spareM >= 0.3) return []
      const liftM = suction.pumpM - suction.waterM
      const well = graphOf(site).node(run.from.node)
      const feed = feedsOf(site).find(({ trunk }) => trunk.includes(run))
      return [
        {
          id: `suction-too-high:${pump.id}`,
          check: 'suction-too-high',
          severity: suction.spareM < 0 ? 'wrong' : 'look',
          subject: subjectOfRun(site, run),
          sentence:
            suction.spareM < 0
              ? say`The pump of “${runName(site, run)}” cannot draw: its water stands ${length(liftM)} below it, and here
                  the limit is ${length(suction.maxLiftM)}.`
              : say`The pump of “${runName(site, run)}” has ${length(suction.spareM)} of suction to spare: a warm day or
                  a dirty strainer takes that.`,
          why: say`At ${length(site.place.altitudeM)} of altitude and ${temperature(site.place.waterTemperatureC)} the
            air carries water so far, less ${length(suction.npshRequiredM)} that the pump wants at its mouth and
            ${length(suction.frictionM)} of friction on the way. A submersible pushes instead; a wider, shorter suction
            line saves friction.`,
          numbers: { spareM: suction.spareM, liftM, maxLiftM: suction.maxLiftM, frictionM: suction.frictionM },
          sum: {
            name: 'suction-lift',
            input: suctionInput(
              site.place.altitudeM,
              site.place.waterTemperatureC,
              suction.npshRequiredM,
              suction.frictionM,
            ),
          },
          mend:
            feed && (well?.kind === 'well' || well?.kind === 'tank')
              ? {
                  label: `Use a submersible pump in ${nameOf(site, well.id)}`,
                  move: moveOf('liftBy', { run: feed.trunk[0]!.id, by: 'submersible' }),
                }
              : undefined,
        },
      ]
    }),
})
const temperature = (value: number) => ({ value, kind: 'temperature' as const })

/** A pump that stands no higher above its water finds it again by itself. */
const SELF_FILLING_M = 0.5

export const noFootValve = defineCheck({
  id: 'no-foot-valve',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'Every pump that sucks has a foot valve, and a line that rises all the way',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const suction = suctionOf(site, run, pump, pump.flowLps)
      if (!suction || suction.pumpM - suction.waterM < SELF_FILLING_M) return []
      const at = run.parts.indexOf(pump)
      const pipes = run.parts.slice(0, at).find(part => does(part, 'carries'))
      const boreMm = pipes && 'innerDiameterMm' in pipes ? pipes.innerDiameterMm : USUAL_BORE_MM
      const hump = run.profile?.find(place => place.heightM > suction.pumpM)
      return [
        ...(suction.footValve
          ? []
          : [
              {
                id: `no-foot-valve:${pump.id}`,
                check: 'no-foot-valve',
                severity: 'wrong' as const,
                subject: subjectOfRun(site, run),
                sentence: say`The suction line of “${runName(site, run)}” empties whenever its pump stops: it has no
                  foot valve.`,
                why: say`The pump stands ${length(suction.pumpM - suction.waterM)} above its water. Without a foot valve
                  at the bottom it must be primed at every start, and runs dry until somebody does.`,
                numbers: { liftM: suction.pumpM - suction.waterM },
                mend: {
                  label: 'Fit a foot valve where the line begins',
                  move: moveOf('insertPart', {
                    run: run.id,
                    before: run.parts[0]!.id,
                    part: { kind: 'check', boreMm },
                  }),
                },
              },
            ]),
        ...(hump
          ? [
              {
                id: `no-foot-valve:hump:${pump.id}`,
                check: 'no-foot-valve',
                severity: 'wrong' as const,
                subject: subjectOfRun(site, run),
                sentence: say`The suction line of “${runName(site, run)}” humps to ${length(hump.heightM)}, above its pump:
                  air gathers there, and the pump loses its prime.`,
                why: say`A suction line rises all the way to the pump, tight at every joint.`,
                numbers: { heightM: hump.heightM, pumpM: suction.pumpM },
                mend: {
                  label: 'Lay it without the hump',
                  move: moveOf('shapeRun', {
                    run: run.id,
                    places: run.profile!.filter(place => place.id !== hump.id),
                  }),
                },
              },
            ]
          : []),
      ]
    }),
})
