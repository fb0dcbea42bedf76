import { bestFirst, defineCheck, nodeSubject, type Finding } from '../finding'
import { pressure, say, volume } from '../../words'
import { moveOf, setField } from '../../moves'
import { cyclingOf } from '../../network'
import { feedsOf, runsFrom, type Feed, type Site } from '../../site'
import { pressureTankSize } from '../../sums'
import { PRECHARGE_UNDER_KPA, PRESSURE_TANKS_L, RELIEF_OVER_KPA, USUAL_BORE_MM } from '../../catalog'
import type { NodeOf, PartOf } from '../../kinds'

const LEAST_RUN_S = 60

/** Feeds that hold their pressure in a tank. */
const withVessel = (site: Site): (Feed & { vessel: NodeOf<'pressureTank'>; pump: PartOf<'pump'> })[] =>
  feedsOf(site).filter(
    (feed): feed is Feed & { vessel: NodeOf<'pressureTank'>; pump: PartOf<'pump'> } =>
      feed.vessel !== undefined && feed.pump !== undefined,
  )

export const startsTooOften = defineCheck({
  id: 'starts-too-often',
  step: 'lift',
  harms: 'cost',
  follows: ['precharge-off'],
  needs: ['site'],
  sound: 'No pump starts more often, or runs shorter, than its motor bears',
  find: ({ site }) =>
    withVessel(site).flatMap((feed): Finding[] => {
      const cycling = cyclingOf(site, feed)
      const { vessel } = feed
      if (!cycling) return []
      const often = cycling.worstPerHour > cycling.bearsPerHour
      if (!often && cycling.runS >= LEAST_RUN_S) return []
      const { prechargeKPa, cutInKPa, cutOutKPa } = vessel
      const size = { pumpFlowLps: cycling.pumpLps, prechargeKPa, cutInKPa, cutOutKPa }
      const wantedL = Math.max(
        pressureTankSize({ ...size, minRunS: LEAST_RUN_S }).volumeL,
        (vessel.volumeL * cycling.worstPerHour) / cycling.bearsPerHour,
      )
      const sold = PRESSURE_TANKS_L.find(litres => litres >= wantedL)
      return [
        {
          id: `starts-too-often:${vessel.id}`,
          check: 'starts-too-often',
          severity: often ? 'wrong' : 'look',
          subject: nodeSubject(vessel),
          sentence: often
            ? say`The pump of ${vessel.name} can start ${Math.round(cycling.worstPerHour)} times an hour, and its motor
                bears ${Math.round(cycling.bearsPerHour)}.`
            : say`The pump of ${vessel.name} runs ${Math.round(cycling.runS)} s at a time: each start costs it more than
                the run.`,
          why: say`Of ${volume(vessel.volumeL)} the tank gives ${volume(cycling.drawdownL)} between
            ${pressure(cutOutKPa)} and ${pressure(cutInKPa)}, and the pump lifts that in ${Math.round(cycling.runS)} s.
            A minute a run wants ${volume(wantedL)}; or a variable-speed set, which starts softly.`,
          numbers: {
            worstPerHour: cycling.worstPerHour,
            bearsPerHour: cycling.bearsPerHour,
            runS: cycling.runS,
            wantedL,
          },
          sum: { name: 'pressure-tank-size', input: { ...rounded(size), minRunS: LEAST_RUN_S } },
          mend: sold
            ? { label: say`Take one of ${volume(sold)}`, move: setField('node', vessel.id, 'volumeL', sold) }
            : {
                label: 'Use a variable-speed set instead',
                move: moveOf('liftBy', { run: feed.trunk[0]!.id, by: 'variable-speed', hold: 'straight' }),
              },
        },
      ]
    }),
})
const rounded = <Input extends { pumpFlowLps: number }>(input: Input): Input => ({
  ...input,
  pumpFlowLps: Math.round(input.pumpFlowLps * 1000) / 1000,
})

export const prechargeOff = defineCheck({
  id: 'precharge-off',
  step: 'lift',
  harms: 'cost',
  needs: ['site'],
  sound: 'Gas and switch of every pressure tank go together',
  find: ({ site }) =>
    withVessel(site).flatMap(({ vessel }): Finding[] => {
      const { prechargeKPa, cutInKPa } = vessel
      const common = { check: 'precharge-off', subject: nodeSubject(vessel) }
      const rightKPa = Math.max(0, cutInKPa - PRECHARGE_UNDER_KPA)
      const tooHigh = prechargeKPa > cutInKPa
      if (!tooHigh && prechargeKPa >= 0.75 * rightKPa) return []
      return [
        {
          ...common,
          id: `precharge-off:${vessel.id}`,
          severity: tooHigh ? ('wrong' as const) : ('look' as const),
          sentence: tooHigh
            ? say`The gas of ${vessel.name} stands at ${pressure(prechargeKPa)}, above where its pump starts: the taps
                fall silent before it does.`
            : say`The gas of ${vessel.name} stands at ${pressure(prechargeKPa)}, far under where its pump starts: it gives
                less water a start, and its skin is stretched.`,
          why: say`Set it a little under the cut-in of ${pressure(cutInKPa)}, with the tank empty of water and the pump
            off.`,
          numbers: { prechargeKPa, cutInKPa },
          mend: {
            label: say`Set the gas to ${pressure(rightKPa)}`,
            move: setField('node', vessel.id, 'prechargeKPa', rightKPa),
          },
        },
      ]
    }),
})

export const reliefMissing = defineCheck({
  id: 'relief-missing',
  step: 'lift',
  harms: 'people',
  follows: ['never-cuts-out'],
  needs: ['site'],
  sound: 'A relief valve stands before every pressure tank, under what the tank bears',
  find: ({ site }) =>
    withVessel(site).flatMap(({ vessel, trunk }): Finding[] => {
      const before = trunk.filter(run => run.to.node === vessel.id)
      const after = runsFrom(site, vessel.id)
      const reliefs = [...before, ...after].flatMap(run => run.parts).filter(part => part.kind === 'relief')
      const mostKPa = vessel.mostKPa ?? Infinity
      const wanted = Math.min(vessel.cutOutKPa + RELIEF_OVER_KPA, mostKPa)
      const common = { check: 'relief-missing', severity: 'wrong' as const, subject: nodeSubject(vessel) }
      if (!reliefs.length)
        return [
          {
            ...common,
            id: `relief-missing:${vessel.id}`,
            sentence: say`${vessel.name} has no relief valve: should its switch stick, the pump drives it to bursting.`,
            why: say`A relief valve on its tee opens a little above ${pressure(vessel.cutOutKPa)}, and no higher than the
              tank bears.`,
            numbers: { cutOutKPa: vessel.cutOutKPa },
            mend: {
              label: say`Fit one set to ${pressure(wanted)}`,
              move: moveOf('insertPart', { run: before[0]!.id, part: { kind: 'relief', setKPa: wanted } }),
            },
          },
        ]
      return reliefs
        .filter(({ setKPa }) => setKPa > mostKPa || setKPa <= vessel.cutOutKPa)
        .map(relief => ({
          ...common,
          id: `relief-missing:${relief.id}`,
          sentence:
            relief.setKPa > mostKPa
              ? say`The relief valve of ${vessel.name} opens at ${pressure(relief.setKPa)}, above the
                  ${pressure(mostKPa)} that it bears.`
              : say`The relief valve of ${vessel.name} opens at ${pressure(relief.setKPa)}, before the switch stops the
                  pump: it runs to waste.`,
          why: say`It belongs between the two: above the ${pressure(vessel.cutOutKPa)} at which the pump stops, and under
            what the tank bears.`,
          numbers: { setKPa: relief.setKPa, cutOutKPa: vessel.cutOutKPa },
          ...bestFirst(
            wanted > vessel.cutOutKPa
              ? { label: say`Set it to ${pressure(wanted)}`, move: setField('part', relief.id, 'setKPa', wanted) }
              : undefined,
            mostKPa - RELIEF_OVER_KPA > vessel.cutInKPa
              ? {
                  label: say`Let its switch stop at ${pressure(mostKPa - RELIEF_OVER_KPA)}`,
                  move: setField('node', vessel.id, 'cutOutKPa', mostKPa - RELIEF_OVER_KPA),
                }
              : undefined,
          ),
        }))
    }),
})

export const shutOffWrongSide = defineCheck({
  id: 'shut-off-wrong-side',
  step: 'lift',
  harms: 'people',
  needs: ['site'],
  sound: 'Every house can be shut off from its pressure tank',
  find: ({ site }) =>
    withVessel(site).flatMap(({ vessel, trunk }): Finding[] => {
      const onward = runsFrom(site, vessel.id)
      const bare = onward.filter(run => run.parts[0]?.kind !== 'valve')
      if (!bare.length) return []
      const before = trunk.filter(run => run.to.node === vessel.id)
      const at = before.flatMap(run => run.parts)
      const pumpAt = at.findIndex(part => part.kind === 'pump')
      const onPumpSide = at.slice(pumpAt + 1).some(part => part.kind === 'valve')
      const boreMm = bare[0]!.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? USUAL_BORE_MM
      return [
        {
          id: `shut-off-wrong-side:${vessel.id}`,
          check: 'shut-off-wrong-side',
          severity: 'wrong',
          subject: nodeSubject(vessel),
          sentence: onPumpSide
            ? say`The shut-off stands on the pump’s side of ${vessel.name}: shut, it cannot keep the tank from emptying into
                a burst in the house.`
            : say`Nothing shuts the house off from ${vessel.name}: a burst empties it, and the pump follows.`,
          why: say`The house’s shut-off belongs behind the tank, first of all on the way to the taps.`,
          numbers: {},
          mend: {
            label: 'Fit the shut-off behind the tank',
            move: moveOf('insertPart', {
              run: bare[0]!.id,
              ...(bare[0]!.parts[0] ? { before: bare[0]!.parts[0].id } : {}),
              part: { kind: 'valve', boreMm, open: true },
            }),
          },
        },
      ]
    }),
})
