import { defineCheck, passedBy, type Finding, type Mend } from './finding'
import { boreText, flow, intensity, say, volume, pipeSize } from '../words'
import { downpipeFlow } from '../sums'
import {
  downpipeFor,
  gutterFlowLps,
  gutterFor,
  gutterSum,
  spoutStormLps,
  type Gutter,
  type Roof,
  type Site,
} from '../site'
import type { Reading } from './reading'
import type { CatchLimit } from '../network'
import { moveOf, setField } from '../moves'
import { GUTTER_WORDS, USUAL_STORM_MM_PER_H } from '../catalog'

export const stormMissing = defineCheck({
  id: 'storm-missing',
  step: 'catch',
  harms: 'cost',
  needs: ['site', 'storm'],
  sound: 'A design storm is set',
  find: ({ site, storm }) =>
    storm || !site.roofs.length
      ? []
      : [
          {
            id: 'storm-missing',
            check: 'storm-missing',
            severity: 'look',
            subject: { kind: 'roof', id: site.roofs[0]!.id, name: site.roofs[0]!.name },
            sentence: say`Nobody has said how hard it rains here, so no gutter, line or overflow can be judged.`,
            why: say`The design storm is missing. Gutters are commonly sized for ${intensity(USUAL_STORM_MM_PER_H)}
              where nothing is known; your weather service or building code has a figure.`,
            numbers: { usualMmPerH: USUAL_STORM_MM_PER_H },
            answers: [
              {
                label: 'Take that until you know',
                move: setField('site', '', 'climate.storm.intensityMmPerH', USUAL_STORM_MM_PER_H),
              },
            ],
          },
        ],
})

export const gutterUnknown = defineCheck({
  id: 'gutter-unknown',
  step: 'catch',
  harms: 'cost',
  needs: ['site'],
  sound: 'Every gutter is described',
  find: ({ site }) =>
    site.roofs.flatMap(roof =>
      roof.spouts
        .filter(spout => !spout.gutter && spout.share > 0)
        .map(({ nodeId }): Finding => ({
          id: `gutter-unknown:${roof.id}:${nodeId}`,
          check: 'gutter-unknown',
          severity: 'look',
          subject: { kind: 'roof', id: roof.id, name: roof.name },
          sentence: say`Whether the gutter of ${roof.name} carries a hard shower is not known.`,
          why: say`The gutter to ${nameOf(site, nodeId)} has not been described; until it is, it is taken to carry
            everything.`,
          numbers: {},
          mend: {
            label: 'Take one that carries the storm',
            move: moveOf('fitGutter', { roof: roof.id, spout: nodeId }),
          },
        })),
    ),
})

const nameOf = (site: Site, id: string) => site.nodes.find(node => node.id === id)?.name ?? id
const gutterOf = (roof: Roof, spoutId: string): Gutter | undefined =>
  roof.spouts.find(spout => spout.nodeId === spoutId)?.gutter
const shortBy = (hasLps: number, wantsLps: number) => hasLps < wantsLps * 0.98

function lostL({ roofYear }: Pick<Reading, 'roofYear'>, limit: CatchLimit): number {
  return (
    roofYear.catches.find(entry => entry.roofId === limit.roof.id && entry.spoutId === limit.spout.id)?.overGutterL ?? 0
  )
}

function gutterMend(limit: CatchLimit): Mend {
  const carries = gutterFlowLps(gutterFor(limit.stormLps!, gutterOf(limit.roof, limit.spout.id))) >= limit.stormLps!
  return carries
    ? { label: 'Hang one that carries it', move: moveOf('fitGutter', { roof: limit.roof.id, spout: limit.spout.id }) }
    : { label: 'Share it with one more spout', move: moveOf('addSpout', { roof: limit.roof.id }) }
}

export const gutterTooSmall = defineCheck({
  id: 'gutter-too-small',
  step: 'catch',
  harms: 'loss',
  follows: ['shares-off'],
  needs: ['limits', 'storm', 'roofYear'],
  sound: 'Every gutter carries the design storm',
  find: reading =>
    reading.limits.flatMap((limit): Finding[] => {
      const gutter = gutterOf(limit.roof, limit.spout.id)
      if (!gutter || limit.stormLps === undefined || !shortBy(limit.gutterLps!, limit.stormLps)) return []
      const { name, input } = gutterSum(gutter)
      return [
        {
          id: `gutter-too-small:${limit.roof.id}:${limit.spout.id}`,
          check: 'gutter-too-small',
          severity: passedBy(limit.stormLps, limit.gutterLps!),
          subject: { kind: 'roof', id: limit.roof.id, name: limit.roof.name },
          sentence: say`In the design storm the gutter of ${limit.roof.name} spills before it reaches
            ${limit.spout.name}.`,
          why: say`The storm of ${intensity(reading.storm!.intensityMmPerH)} brings ${flow(limit.stormLps)};
            ${GUTTER_WORDS[gutter.profile]} gutter ${boreText(gutter.widthMm)} wide carries
            ${flow(limit.gutterLps!)}${gutter.outletAt === 'middle' ? ' from its two sides' : ''}, and spills from
            ${intensity(limit.gutterMmPerH)} on. In a mean year ${volume(lostL(reading, limit))} never reach the tank.`,
          numbers: {
            stormLps: limit.stormLps,
            gutterLps: limit.gutterLps!,
            spillsAtMmPerH: limit.gutterMmPerH,
            lostL: lostL(reading, limit),
          },
          sum: { name, input },
          mend: gutterMend(limit),
        },
      ]
    }),
})

export const downpipeTooSmall = defineCheck({
  id: 'downpipe-too-small',
  step: 'catch',
  harms: 'loss',
  follows: ['shares-off'],
  needs: ['site', 'storm'],
  sound: 'Every downpipe passes the design storm',
  find: ({ site, storm }) =>
    !storm
      ? []
      : site.nodes
          .filter(node => node.kind === 'spout')
          .flatMap((spout): Finding[] => {
            const input = { innerDiameterMm: spout.boreMm }
            const passes = downpipeFlow(input).flowLps
            const comes = spoutStormLps(site, spout.id)
            if (!shortBy(passes, comes)) return []
            const enough = downpipeFlow({ innerDiameterMm: downpipeFor(comes) }).flowLps >= comes
            const roof = site.roofs.find(candidate => candidate.spouts.some(entry => entry.nodeId === spout.id))!
            return [
              {
                id: `downpipe-too-small:${spout.id}`,
                check: 'downpipe-too-small',
                severity: passedBy(comes, passes),
                subject: { kind: 'node', id: spout.id, name: spout.name },
                sentence: say`In the design storm ${spout.name} cannot swallow what its gutter brings, and the
                  gutter spills.`,
                why: say`The storm of ${intensity(storm.intensityMmPerH)} brings ${flow(comes)}; a
                  ${pipeSize(spout.boreMm)} downpipe a third full passes ${flow(passes)}.`,
                numbers: { stormLps: comes, passesLps: passes },
                sum: { name: 'downpipe-flow', input },
                mend: enough
                  ? { label: 'Fit one that passes it', move: moveOf('fitDownpipe', { spout: spout.id }) }
                  : { label: 'Share it with one more spout', move: moveOf('addSpout', { roof: roof.id }) },
              },
            ]
          }),
})

export const spillOverDoor = defineCheck({
  id: 'spill-over-door',
  step: 'catch',
  harms: 'people',
  follows: ['gutter-too-small', 'downpipe-too-small', 'line-too-slow', 'line-climbs', 'fed-from-below'],
  needs: ['limits', 'storm'],
  sound: 'No gutter spills over a door or a footing in the design storm',
  find: reading =>
    reading.limits.flatMap((limit): Finding[] => {
      const { roof, spout, first, spillsAtMmPerH } = limit
      const gutter = gutterOf(roof, spout.id)
      if (
        !gutter ||
        !reading.storm ||
        spillsAtMmPerH >= reading.storm.intensityMmPerH * 0.98 ||
        gutter.below === 'harmless'
      )
        return []
      const stretch = roof.spouts.find(entry => entry.nodeId === spout.id)!
      const answer = (label: string, value: Gutter['below']) => ({
        label,
        move: setField('stretch', stretch.id, 'gutter.below', value),
      })
      const numbers = { spillsAtMmPerH, stormMmPerH: reading.storm.intensityMmPerH }
      const base = {
        id: `spill-over-door:${roof.id}:${spout.id}`,
        check: 'spill-over-door',
        subject: { kind: 'roof' as const, id: roof.id, name: roof.name },
        numbers,
      }
      if (gutter.below === 'unknown') {
        return [
          {
            ...base,
            severity: 'look',
            sentence: say`What lies below the gutter of ${roof.name}, where it spills?`,
            why: say`It runs over from ${intensity(spillsAtMmPerH)} on, and the design storm brings
              ${intensity(reading.storm.intensityMmPerH)}. Over grass that costs water; over a door or a footing it
              does harm.`,
            answers: [answer('Nothing that is harmed', 'harmless'), answer('A door or a footing', 'door')],
          },
        ]
      }
      return [
        {
          ...base,
          severity: 'wrong',
          sentence: say`In the design storm the gutter of ${roof.name} pours over a door or against a footing.`,
          why: say`It runs over from ${intensity(spillsAtMmPerH)} on, and the storm brings
            ${intensity(reading.storm.intensityMmPerH)}; its ${first ?? 'gutter'} is what gives way first.`,
          mend:
            first === 'downpipe'
              ? { label: 'Fit a downpipe that passes it', move: moveOf('fitDownpipe', { spout: spout.id }) }
              : first === 'gutter'
                ? gutterMend(limit)
                : { label: 'Share it with one more spout', move: moveOf('addSpout', { roof: roof.id }) },
        },
      ]
    }),
})
