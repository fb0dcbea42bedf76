import { defineCheck, nodeSubject, subjectOfRun, type Finding } from '../finding'
import { flow, length, pressure, say } from '../../words'
import { setField } from '../../moves'
import { leftInWellM, momentWith, pumpingDepthM, pumpsOf, shutOffM } from '../../network'
import { feedsOf, fillingsOf, graphOf, runName, type Site } from '../../site'
import { staticPressure } from '../../sums'
import type { NodeOf, PartOf } from '../../kinds'

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
            subject: subjectOfRun(site, run),
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
          subject: subjectOfRun(site, run),
          sentence: say`The pump of “${runName(site, run)}” runs far past the flow it is made for: it overloads and
            wears.`,
          why: say`It is made for ${flow(pump.flowLps)} and passes ${flow(flowLps)} as its taps run. One made for
            more flow and less head fits this line, or a valve behind it partly shut.`,
          numbers: { flowLps, madeForLps: pump.flowLps },
        },
      ]
    })
  },
})

/** The flow that leaves a well’s water above its pump. */
const gentleLps = (well: NodeOf<'well'>, pump: PartOf<'pump'>) => {
  const roomM = Math.max(0.2, well.depthM - leftInWellM(pump.pump) - 0.3 - pumpingDepthM(well, 0))
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
      if (source.kind === 'well' && drawnM > source.depthM - leftInWellM(pump.pump))
        return [
          {
            id: `pump-runs-dry:well:${pump.id}`,
            check: 'pump-runs-dry',
            severity: 'wrong',
            subject: subjectOfRun(site, run),
            sentence: say`${source.name} is drawn down past its pump: at ${flow(pump.flowLps)} its water would stand
              ${length(drawnM)} down, and it is ${length(source.depthM)} deep.`,
            why: say`In a dry season it gives less than its pump takes. A smaller pump, or one choked by its valve, draws
              what comes; a guard stops it meanwhile.`,
            numbers: { drawnM, depthM: source.depthM },
            mend: {
              label: say`Take one for ${flow(gentleLps(source, pump))}`,
              move: setField('part', pump.id, 'flowLps', gentleLps(source, pump)),
            },
          },
        ]
      if (pump.dryGuard || run.from.port.startsWith('overflow')) return []
      return [
        {
          id: `pump-runs-dry:${pump.id}`,
          check: 'pump-runs-dry',
          severity: 'look',
          subject: subjectOfRun(site, run),
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
