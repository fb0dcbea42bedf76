import { defineCheck, nodeSubject, runSubject, type Finding } from '../finding'
import { length, percent, pressure, say } from '../../words'
import { busiestLps, moveOf, setField } from '../../moves'
import {
  conductorFor,
  drawnBy,
  dutyAt,
  momentWith,
  MOST_DROP_SHARE,
  pumpingDepthM,
  pumpsOf,
  runLossM,
  shutOffM,
  suctionInput,
  suctionOf,
} from '../../network'
import { feedsOf, fillingsOf, graphOf, nameOf, runName, type Site } from '../../site'
import { staticPressure } from '../../sums'
import { does, type NodeOf } from '../../kinds'

/** The most a pump of a site lifts: to its feed's taps at their busiest, or as it fills a tank. */
function busiestOf(site: Site, runId: string, madeForLps: number): number {
  const feed = feedsOf(site).find(({ trunk }) => trunk.some(run => run.id === runId))
  return feed ? Math.min(madeForLps * 1.2, Math.max(0.5 * madeForLps, busiestLps(site, feed.taps))) : madeForLps
}

export const suctionTooHigh = defineCheck({
  id: 'suction-too-high',
  step: 'lift',
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
          subject: runSubject(site, run),
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
  needs: ['site'],
  sound: 'Every pump that sucks has a foot valve, and a line that rises all the way',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const suction = suctionOf(site, run, pump, pump.flowLps)
      if (!suction || suction.pumpM - suction.waterM < SELF_FILLING_M) return []
      const at = run.parts.indexOf(pump)
      const pipes = run.parts.slice(0, at).find(part => does(part, 'carries'))
      const boreMm = pipes && 'innerDiameterMm' in pipes ? pipes.innerDiameterMm : 26.64
      const hump = run.profile?.find(place => place.heightM > suction.pumpM)
      return [
        ...(suction.footValve
          ? []
          : [
              {
                id: `no-foot-valve:${pump.id}`,
                check: 'no-foot-valve',
                severity: 'wrong' as const,
                subject: runSubject(site, run),
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
                subject: runSubject(site, run),
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

/** Past this share of the flow it is made for a centrifugal pump runs off its curve. */
const RUN_OUT_SHARE = 1.6

export const pumpOffItsCurve = defineCheck({
  id: 'pump-off-its-curve',
  step: 'lift',
  needs: ['site'],
  sound: 'Every pump runs where it is made to',
  find: ({ site }) => {
    const open = site.nodes.flatMap(({ kind, id }) => (kind === 'tap' ? [id] : []))
    const moments = [momentWith(site, open, 'low'), momentWith(site, [], 'low')]
    const filling = new Set(fillingsOf(site).map(({ pump }) => pump.id))
    const fed = new Set(feedsOf(site).flatMap(({ pump }) => (pump ? [pump.id] : [])))
    return pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      if (moments.some(moment => !moment.converged) || (!filling.has(pump.id) && !fed.has(pump.id))) return []
      const flowLps = Math.max(...moments.map(({ runs }) => runs[run.id]?.flowLps ?? 0))
      const shut = run.parts.some(part => part.kind === 'valve' && !part.open)
      if (flowLps <= 0.001) {
        if (shut) return []
        return [
          {
            id: `pump-off-its-curve:${pump.id}`,
            check: 'pump-off-its-curve',
            severity: 'wrong',
            subject: runSubject(site, run),
            sentence: say`The pump of “${runName(site, run)}” moves no water: it cannot lift so high.`,
            why: say`With nothing drawn it gives ${length(shutOffM(pump))} of head at most, and its line asks for more; or
              it draws above its water. Choose one with more head.`,
            numbers: { shutOffM: shutOffM(pump) },
            mend: {
              label: say`Take one for ${length(Math.ceil(pump.headM * 1.4))}`,
              move: setField('part', pump.id, 'headM', Math.ceil(pump.headM * 1.4)),
            },
          },
        ]
      }
      if (pump.pump === 'on-demand' || flowLps <= pump.flowLps * RUN_OUT_SHARE) return []
      return [
        {
          id: `pump-off-its-curve:${pump.id}`,
          check: 'pump-off-its-curve',
          severity: 'look',
          subject: runSubject(site, run),
          sentence: say`The pump of “${runName(site, run)}” runs far past the flow it is made for: it overloads and
            wears.`,
          why: say`It is made for ${flowOf(pump.flowLps)} and passes ${flowOf(flowLps)} as its taps run. One made for
            more flow and less head fits this line, or a valve behind it partly shut.`,
          numbers: { flowLps, madeForLps: pump.flowLps },
        },
      ]
    })
  },
})
const flowOf = (value: number) => ({ value, kind: 'flow' as const })

/** A pump hangs so far above its well’s floor, with water over it. */
const HUNG_M = 2.5
/** The flow that leaves a well’s water above its pump. */
const gentleLps = (well: NodeOf<'well'>) => {
  const roomM = Math.max(0.2, well.depthM - HUNG_M - 0.3 - pumpingDepthM(well, 0))
  return Math.max(0.01, Math.floor(100 * roomM * (well.specificCapacityLpsPerM ?? 1)) / 100)
}

export const pumpRunsDry = defineCheck({
  id: 'pump-runs-dry',
  step: 'lift',
  needs: ['site'],
  sound: 'Every pump is stopped before it runs dry',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const source = graphOf(site).node(run.from.node)
      // A diaphragm bears it for a while, and a main does not run out.
      if (!source || (source.kind !== 'tank' && source.kind !== 'well') || pump.pump === 'on-demand') return []
      const drawnM = source.kind === 'well' ? pumpingDepthM(source, pump.flowLps) : 0
      if (source.kind === 'well' && drawnM > source.depthM - HUNG_M)
        return [
          {
            id: `pump-runs-dry:well:${pump.id}`,
            check: 'pump-runs-dry',
            severity: 'wrong',
            subject: runSubject(site, run),
            sentence: say`${source.name} is drawn down past its pump: at ${flowOf(pump.flowLps)} its water would stand
              ${length(drawnM)} down, and it is ${length(source.depthM)} deep.`,
            why: say`In a dry season it gives less than its pump takes. A smaller pump, or one choked by its valve, draws
              what comes; a guard stops it meanwhile.`,
            numbers: { drawnM, depthM: source.depthM },
            mend: {
              label: say`Take one for ${flowOf(gentleLps(source))}`,
              move: setField('part', pump.id, 'flowLps', gentleLps(source)),
            },
          },
        ]
      if (pump.dryGuard || run.from.port.startsWith('overflow')) return []
      return [
        {
          id: `pump-runs-dry:${pump.id}`,
          check: 'pump-runs-dry',
          severity: 'look',
          subject: runSubject(site, run),
          sentence: say`Nothing stops the pump of “${runName(site, run)}” when ${source.name} is drawn out: dry, its seal
            burns within minutes.`,
          why: say`A float or a probe near its intake, or a guard that watches its current, costs little beside the
            pump.`,
          numbers: {},
          mend: { label: 'Guard it against running dry', move: setField('part', pump.id, 'dryGuard', true) },
        },
      ]
    }),
})

export const rigidAtPump = defineCheck({
  id: 'rigid-at-pump',
  step: 'lift',
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
      const common = { check: 'rigid-at-pump', severity: 'look' as const, subject: runSubject(site, run), numbers: {} }
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
  return sized?.innerDiameterMm ?? sized?.boreMm ?? 26.64
}

/** Share of a pump’s head that a float may take unnoticed. */
const CHOKING_SHARE = 0.1

export const floatChokes = defineCheck({
  id: 'float-chokes',
  step: 'lift',
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
          subject: runSubject(site, last),
          sentence: say`The float valve at ${tank.name} chokes its pump: ${flowOf(flowLps)} come instead of
            ${flowOf(freeLps)}.`,
          why: say`Its seat is the narrowest place of the line. The pump of “${runName(site, runs[0]!)}” works against it
            all the time, which shows as a high running pressure.`,
          numbers: { flowLps, freeLps, boreMm: float.boreMm, madeForLps: pump.flowLps },
          mend: { label: 'Fit a wider one', move: setField('part', float.id, 'boreMm', boreMm) },
        },
      ]
    }),
})

export const cableTooThin = defineCheck({
  id: 'cable-too-thin',
  step: 'lift',
  needs: ['site'],
  sound: 'Cables bring pumps their voltage, and the inverter bears their starts',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const drawn = drawnBy(site, pump, dutyAt(pump))
      const subject = runSubject(site, run)
      const surgeW = site.power?.inverterSurgeW
      const thin = drawn.drop && drawn.drop.dropShare > MOST_DROP_SHARE
      const wider = pump.cable && conductorFor(drawn.currentA, pump.cable.lengthM, drawn.volts)
      return [
        ...(thin
          ? [
              {
                id: `cable-too-thin:${pump.id}`,
                check: 'cable-too-thin',
                severity: 'wrong' as const,
                subject,
                sentence: say`The cable of “${runName(site, run)}” takes ${percent(drawn.drop!.dropShare)} of the
                  voltage: the motor starts hard and runs hot.`,
                why: say`It draws about ${drawn.currentA.toFixed(1)} A over ${length(pump.cable!.lengthM)} of
                  ${pump.cable!.conductorMm2} mm² copper, there and back. Keep it under ${percent(MOST_DROP_SHARE)}.
                  Local code and a licensed trade decide on cable and protection.`,
                numbers: { dropShare: drawn.drop!.dropShare, currentA: drawn.currentA },
                sum: {
                  name: 'voltage-drop',
                  input: {
                    currentA: Math.round(drawn.currentA * 100) / 100,
                    lengthM: pump.cable!.lengthM,
                    conductorMm2: pump.cable!.conductorMm2,
                    volts: drawn.volts,
                  },
                },
                mend: wider
                  ? {
                      label: `Lay ${wider} mm²`,
                      move: setField('part', pump.id, 'cable.conductorMm2', wider),
                    }
                  : undefined,
              },
            ]
          : []),
        ...(surgeW !== undefined && drawn.startW > surgeW
          ? [
              {
                id: `cable-too-thin:surge:${pump.id}`,
                check: 'cable-too-thin',
                severity: 'wrong' as const,
                subject,
                sentence: say`The inverter trips when the pump of “${runName(site, run)}” starts: it asks for about
                  ${Math.round(drawn.startW)} W for a moment, and ${Math.round(surgeW)} W is what there is.`,
                why: say`It runs at about ${Math.round(drawn.inputW)} W and takes several times that to start. A
                  variable-speed set starts softly; or use a larger inverter.`,
                numbers: { startW: drawn.startW, surgeW },
              },
            ]
          : []),
      ]
    }),
})

export const neverCutsOut = defineCheck({
  id: 'never-cuts-out',
  step: 'lift',
  needs: ['site'],
  sound: 'Every pressure switch is reached by its pump',
  find: ({ site }) =>
    feedsOf(site).flatMap(({ vessel, pump, trunk, source }): Finding[] => {
      if (!vessel || !pump) return []
      const mostKPa = mostAt(site, vessel, pump, trunk[0]!.from.node, source)
      if (mostKPa > vessel.cutOutKPa + 5) return []
      const cutOutKPa = Math.floor((mostKPa - 20) / 10) * 10
      return [
        {
          id: `never-cuts-out:${vessel.id}`,
          check: 'never-cuts-out',
          severity: 'wrong',
          subject: nodeSubject(vessel),
          sentence: say`The pump of ${vessel.name} never stops: it comes to ${pressure(Math.max(0, mostKPa))} there, and its
            switch waits for ${pressure(vessel.cutOutKPa)}.`,
          why: say`With nothing drawn it gives ${length(shutOffM(pump))} of head, from water that stands low. It would run
            on against shut taps until it burns out.`,
          numbers: { mostKPa, cutOutKPa: vessel.cutOutKPa },
          mend:
            cutOutKPa > vessel.cutInKPa + 50
              ? {
                  label: say`Set the switch to stop at ${pressure(cutOutKPa)}`,
                  move: setField('node', vessel.id, 'cutOutKPa', cutOutKPa),
                }
              : {
                  label: say`Take a pump for ${length(Math.ceil(pump.headM * 1.4))}`,
                  move: setField('part', pump.id, 'headM', Math.ceil(pump.headM * 1.4)),
                },
        },
      ]
    }),
})

/** The pressure that a pump brings a pressure tank to with nothing drawn, its water low, kPa. */
function mostAt(
  site: Site,
  vessel: NodeOf<'pressureTank'>,
  pump: Parameters<typeof shutOffM>[0],
  from: string,
  source: { baseM: number },
): number {
  const { nodes } = momentWith(site, [], 'low')
  const waterM = nodes[from]?.headM ?? source.baseM
  return staticPressure({ headM: Math.max(0, waterM + shutOffM(pump) - vessel.baseM) }).pressureKPa
}
