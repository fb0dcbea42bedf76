import { NONE_IS_LIFTED } from '../causes'
import { defineCheck, nodeSubject, subjectOfRun, type Finding } from '../finding'
import { flow, pressure, say } from '../../words'
import { moveOf, setField, STRAINER } from '../../moves'
import { singleTapFlows, tapsOf } from '../../network'
import { dripPlan, FINE_ENOUGH_UM, feedsOf, graphOf, nameOf, unstrained, type Site } from '../../site'
import { FIXTURES } from '../../catalog'

export const dripWeak = defineCheck({
  id: 'drip-weak',
  step: 'lift',
  harms: 'season',
  follows: [...NONE_IS_LIFTED, 'float-chokes', 'hump-without-vent', 'zone-over-flow'],
  needs: ['site'],
  sound: 'Every drip has its emitters’ pressure, and its zones what pump and filter pass',
  find: ({ site }) => {
    const low = singleTapFlows(site, 'low')
    return tapsOf(site).flatMap((tap): Finding[] => {
      if (tap.fixture !== 'drip' || !graphOf(site).into(tap.id).length) return []
      const { pressureKPa, flowLps, moment } = low.get(tap.id)!
      const wantedKPa = tap.ratedKPa ?? FIXTURES.drip.ratedKPa
      const name = nameOf(site, tap.id)
      const subject = nodeSubject({ id: tap.id, name })
      const zone = zoneOf(site, tap.id)
      // A bed that is watered by hand has no emitters that want pressure.
      if (!zone && tap.ratedKPa === undefined) return []
      const pump = feedsOf(site).find(feed => feed.taps.includes(tap))?.pump
      const beyond = zone && pump && zone.zoneLps > pump.flowLps
      if (!moment.converged) return []
      return [
        ...(pressureKPa < 0.7 * wantedKPa
          ? [
              {
                id: `drip-weak:${tap.id}`,
                check: 'drip-weak',
                severity: 'look' as const,
                subject,
                sentence: say`${name} has ${pressure(Math.max(0, pressureKPa))} once the tank is nearly empty, and its
                  emitters want ${pressure(wantedKPa)}: the far ones stay dry.`,
                why: say`It passes ${flow(flowLps)} then. Drippers made for low pressure, more height, a pump, or more
                  zones with fewer emitters each.`,
                numbers: { pressureKPa, wantedKPa },
                answers: [
                  {
                    label: 'Its emitters are made for low pressure',
                    move: setField('node', tap.id, 'ratedKPa', Math.max(5, Math.floor(Math.max(5, pressureKPa)))),
                  },
                ],
              },
            ]
          : []),
        ...(beyond
          ? [
              {
                id: `drip-weak:zone:${tap.id}`,
                check: 'drip-weak',
                severity: 'wrong' as const,
                subject,
                sentence: say`A zone of ${name} asks for ${flow(zone.zoneLps)}, and its pump gives
                  ${flow(pump.flowLps)}.`,
                why: say`More zones, one after the other by the timer, keep each within what the pump passes.`,
                numbers: { zoneLps: zone.zoneLps, pumpLps: pump.flowLps },
                mend: {
                  label: 'Divide it into more zones',
                  move: moveOf('fitDrip', { use: zone.use, mostLph: Math.floor(pump.flowLps * 3600 * 0.9) }),
                },
              },
            ]
          : []),
      ]
    })
  },
})

function zoneOf(site: Site, tap: string): { use: string; zoneLps: number } | undefined {
  for (const { id, at, amount } of site.uses)
    if (at === tap && amount.by === 'bed' && amount.drip)
      return { use: id, zoneLps: dripPlan(amount.drip).zoneLph / 3600 }
  return undefined
}

export const dripUnstrained = defineCheck({
  id: 'drip-unstrained',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'Every drip has its strainer',
  find: ({ site }) =>
    tapsOf(site).flatMap((tap): Finding[] => {
      if (!zoneOf(site, tap.id)) return []
      const name = nameOf(site, tap.id)
      return unstrained(site, tap.id).map(run => ({
        id: `drip-unstrained:${run.id}`,
        check: 'drip-unstrained',
        severity: 'look',
        subject: subjectOfRun(site, run),
        sentence: say`The drippers of ${name} clog: nothing before them holds back what the tank lets out.`,
        why: say`Their passages are under a millimetre wide. A strainer of ${FINE_ENOUGH_UM} µm or finer, where it can be
          rinsed, is what keeps a drip alive.`,
        numbers: { fineEnoughUm: FINE_ENOUGH_UM },
        mend: {
          label: say`Fit a strainer of ${STRAINER.meshMm * 1000} µm`,
          move: moveOf('insertPart', {
            run: run.id,
            ...(run.parts.some(({ kind }) => kind === 'pipe')
              ? { before: run.parts.find(({ kind }) => kind === 'pipe')!.id }
              : {}),
            part: STRAINER,
          }),
        },
      }))
    }),
})
