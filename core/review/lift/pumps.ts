import { defineCheck, nodeSubject, subjectOfRun, type Finding } from '../finding'
import { counted, flow, length, pressure, say, volume } from '../../words'
import { setField } from '../../moves'
import {
  casingOf,
  deliveredLowLps,
  headAskedM,
  leftInWellM,
  momentWith,
  pumpingDepthM,
  pumpsOf,
  shutOffM,
  suctionOf,
} from '../../network'
import { feedsOf, fillingsOf, graphOf, pathsFrom, runName, type Path, type Run, type Site } from '../../site'
import { staticPressure } from '../../sums'
import type { NodeOf, PartOf } from '../../kinds'

/** With less than this a pump moves nothing, L/s. */
const STILL_LPS = 1e-6

/** The ways from what a pump draws from, through it, to a tank or a tap. */
function waysThrough(site: Site, run: Run): { sourceId: string; path: Path }[] {
  const lines = [
    ...fillingsOf(site).map(({ source, runs }) => ({ source, runs })),
    ...feedsOf(site).map(({ source, trunk }) => ({ source, runs: trunk })),
  ]
  const sources = new Set(
    lines.flatMap(({ source, runs }) => (runs.some(({ id }) => id === run.id) ? [source.id] : [])),
  )
  return [...sources].flatMap(sourceId =>
    pathsFrom(site, sourceId).flatMap(path =>
      path.runs.some(({ id }) => id === run.id) && (path.end.kind === 'tank' || path.end.kind === 'tap')
        ? [{ sourceId, path }]
        : [],
    ),
  )
}

/** Water stands too far below it, or not at all: that is found as such, and is not its head. */
function findsNoWater(site: Site, run: Run, pump: PartOf<'pump'>): boolean {
  const source = graphOf(site).node(run.from.node)
  if (source?.kind === 'well' && isDryWell(source, pump)) return true
  return (suctionOf(site, run, pump, pump.flowLps)?.spareM ?? 0) < 0
}

/** A pump that moves nothing by any of its ways, whatever else rests: with the head that its line asks for. */
function tooWeak(site: Site, run: Run, pump: PartOf<'pump'>): Finding[] {
  const ways = waysThrough(site, run)
  if (!ways.length || findsNoWater(site, run, pump)) return []
  if (ways.some(({ sourceId, path }) => (deliveredLowLps(site, path, sourceId) ?? 1) > STILL_LPS)) return []
  const asked = ways.map(({ sourceId, path }) => headAskedM(site, path, sourceId, pump.flowLps))
  const askedM = Math.min(...asked)
  const headM = Math.ceil(Math.max(...asked))
  const mostM = shutOffM(pump)
  return [
    {
      id: `pump-off-its-curve:${pump.id}`,
      check: 'pump-off-its-curve',
      severity: 'wrong',
      subject: subjectOfRun(site, run),
      sentence: say`The pump of “${runName(site, run)}” moves no water: it cannot lift so high.`,
      why: say`With nothing drawn it gives ${length(mostM)} of head at most; at its ${flow(pump.flowLps)} the line asks
        for ${length(askedM)}, lift, friction and what is wanted at its end together.`,
      numbers: { shutOffM: mostM, askedM, headM },
      ...(headM > pump.headM
        ? {
            mend: {
              label: say`Take one for ${length(headM)}`,
              move: setField('part', pump.id, 'headM', headM),
            },
          }
        : {}),
    },
  ]
}

/** Past this share of the flow it is made for a centrifugal pump runs off its curve. */
const RUN_OUT_SHARE = 1.6

export const pumpOffItsCurve = defineCheck({
  id: 'pump-off-its-curve',
  step: 'lift',
  harms: 'season',
  follows: ['never-cuts-out', 'suction-too-high'],
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
      if (flowLps <= STILL_LPS) return shut ? [] : tooWeak(site, run, pump)
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

/** At the end of a dry season its water stands no higher than its pump. */
const isDryWell = (well: NodeOf<'well'>, pump: PartOf<'pump'>): boolean =>
  pumpingDepthM(well, 0) >= well.depthM - leftInWellM(pump.pump)
function dryWell(site: Site, run: Run, pump: PartOf<'pump'>, well: NodeOf<'well'>): Finding {
  const [drawnM, pumpM] = [pumpingDepthM(well, 0), Math.max(0, well.depthM - leftInWellM(pump.pump))]
  return {
    id: `pump-runs-dry:well:${pump.id}`,
    check: 'pump-runs-dry',
    severity: 'wrong',
    subject: subjectOfRun(site, run),
    sentence: say`${well.name} is dry at the end of a dry season: its water stands ${length(drawnM)} down, and its pump
      hangs at ${length(pumpM)}.`,
    why: say`Nothing that is drawn from it then can be counted on. A deeper well, a tank that carries over the season, or
      another water is to be weighed; measure first how deep it is and where its water stands in a dry month.`,
    numbers: { drawnM, pumpM, depthM: well.depthM },
  }
}

/** It takes more than comes in: what stands in the casing is soon gone. */
const outruns = (well: NodeOf<'well'>, pump: PartOf<'pump'>): boolean =>
  pump.flowLps > casingOf(well, leftInWellM(pump.pump)).comesLps
function outrun(site: Site, run: Run, pump: PartOf<'pump'>, well: NodeOf<'well'>): Finding {
  const { storedL, comesLps } = casingOf(well, leftInWellM(pump.pump))
  const minutes = storedL / (pump.flowLps - comesLps) / 60
  return {
    id: `pump-runs-dry:outruns:${pump.id}`,
    check: 'pump-runs-dry',
    severity: 'wrong',
    subject: subjectOfRun(site, run),
    sentence: say`The pump of “${runName(site, run)}” outruns ${well.name}: it takes ${flow(pump.flowLps)} where
      ${volume(comesLps * 3600)} an hour come in, and draws air after ${counted(Math.max(1, Math.round(minutes)), 'minute')}.`,
    why: say`${volume(storedL)} stand in its casing above the pump; after them it gets what comes in, and its seal burns
      dry. A guard stops it until the well has come back; a tank it fills slowly carries what a day asks.`,
    numbers: { storedL, comesLps, flowLps: pump.flowLps, minutes },
    mend: { label: 'Guard it against running dry', move: setField('part', pump.id, 'dryGuard', true) },
  }
}

export const pumpRunsDry = defineCheck({
  id: 'pump-runs-dry',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'Every pump is stopped before it runs dry',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const source = graphOf(site).node(run.from.node)
      // A diaphragm bears it for a while, and a main does not run out.
      if (!source || (source.kind !== 'tank' && source.kind !== 'well') || pump.pump === 'on-demand') return []
      const drawnM = source.kind === 'well' ? pumpingDepthM(source, pump.flowLps) : 0
      if (source.kind === 'well' && isDryWell(source, pump)) return [dryWell(site, run, pump, source)]
      if (source.kind === 'well' && !pump.dryGuard && outruns(source, pump)) return [outrun(site, run, pump, source)]
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
  harms: 'people',
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

export const levelSwitchAlone = defineCheck({
  id: 'level-switch-alone',
  step: 'lift',
  harms: 'cost',
  needs: ['site'],
  sound: 'Every pump stops when all taps are shut',
  find: ({ site }) =>
    feedsOf(site).flatMap(({ vessel, pump, trunk }): Finding[] => {
      const run = trunk.find(({ parts }) => pump && parts.includes(pump))
      if (vessel || !run || pump?.switchedBy !== 'level-switch' || fillsATank(site, run)) return []
      return [
        {
          id: `level-switch-alone:${pump.id}`,
          check: 'level-switch-alone',
          severity: 'wrong',
          subject: subjectOfRun(site, run),
          sentence: say`With all taps shut the pump of “${runName(site, run)}” works against a wall: a level alone switches
            it, and the level does not change.`,
          why: say`Its ${length(shutOffM(pump))} of head go into heat, and its seals with it. A switch that feels the flow
            or the pressure stops it; the level switch may stay beside it, against running dry.`,
          numbers: { shutOffM: shutOffM(pump) },
          mend: {
            label: 'Give it a switch that feels the flow',
            move: setField('part', pump.id, 'switchedBy', 'flow-switch'),
          },
        },
      ]
    }),
})

const fillsATank = (site: Site, run: Run): boolean => fillingsOf(site).some(({ runs }) => runs.includes(run))
