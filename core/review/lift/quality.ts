import { defineCheck, nodeSubject, type Finding } from '../finding'
import { flow, pressure, say } from '../../words'
import { moveOf, setField } from '../../moves'
import { DRINKING_FAULTS } from '../drinking'
import { drinkingFaults, singleTapFlows, tapsOf, trainsOf } from '../../network'
import { dripPlan, feedsOf, graphOf, nameOf, type Site } from '../../site'
import { FIXTURES } from '../../catalog'

/** A larger one takes less pressure, so that more comes: a third is left for that. */
const roomyLps = (flowLps: number) => Math.ceil(flowLps * 1.3 * 20) / 20

export const treatmentOverrated = defineCheck({
  id: 'treatment-overrun',
  step: 'lift',
  needs: ['site'],
  sound: 'Filters and lamps are made for the flow that comes',
  find: ({ site }) =>
    trainsOf(site).flatMap((train): Finding[] => {
      if (!train.overrated) return []
      const { part, ratedLps } = train.narrowest!
      const name = nameOf(site, train.tap.id)
      return [
        {
          id: `treatment-overrun:${part.id}`,
          check: 'treatment-overrun',
          severity: part.kind === 'lamp' ? 'wrong' : 'look',
          subject: nodeSubject({ id: train.tap.id, name }),
          sentence: say`${name} draws ${flow(train.flowLps)} through a ${part.kind === 'lamp' ? 'lamp' : 'filter'} made
            for ${flow(ratedLps)}: ${part.kind === 'lamp' ? 'germs pass it alive' : 'it lets dirt through and chokes'}.`,
          why: say`Treatment is rated for a flow. Fit a larger one, or a tap that passes less.`,
          numbers: { flowLps: train.flowLps, ratedLps },
          mend: {
            label: say`Take one for ${flow(roomyLps(train.flowLps))}`,
            move: setField('part', part.id, 'ratedLps', roomyLps(train.flowLps)),
          },
        },
      ]
    }),
})

export const lampWithoutSensor = defineCheck({
  id: 'lamp-without-sensor',
  step: 'lift',
  needs: ['site'],
  sound: 'Every lamp that drinking hangs on has a sensor that shuts the water off',
  find: ({ site }) =>
    trainsOf(site).flatMap(({ tap, lamp }): Finding[] => {
      const drunk = site.uses.some(use => use.at === tap.id && use.quality === 'drinking')
      if (!lamp || lamp.sensor || !drunk) return []
      const name = nameOf(site, tap.id)
      return [
        {
          id: `lamp-without-sensor:${lamp.id}`,
          check: 'lamp-without-sensor',
          severity: 'wrong',
          subject: nodeSubject({ id: tap.id, name }),
          sentence: say`The lamp before ${name} has no sensor: nobody sees when it no longer kills what is drunk.`,
          why: say`Without a sensor and a shut-off a lamp may be called a polish, not drinking-water treatment: its glass
            grows dull and it fails silently.`,
          numbers: {},
          mend: { label: 'Fit one with a sensor and shut-off', move: setField('part', lamp.id, 'sensor', true) },
        },
      ]
    }),
})

export const labelLies = defineCheck({
  id: 'label-lies',
  step: 'lift',
  needs: ['site'],
  sound: 'No untreated tap is labelled as drinking water',
  find: ({ site }) =>
    tapsOf(site).flatMap((tap): Finding[] => {
      if (tap.label !== 'drinking') return []
      const [first] = drinkingFaults(site, tap.id)
      if (!first) return []
      const name = nameOf(site, tap.id)
      return [
        {
          id: `label-lies:${tap.id}`,
          check: 'label-lies',
          severity: 'wrong',
          subject: nodeSubject({ id: tap.id, name }),
          sentence: say`${name} is labelled as drinking water, and ${DRINKING_FAULTS[first.fault]}.`,
          why: say`Drinking wants cartridges down to 5 µm, carbon, and a lamp with a sensor, each rated for the flow. Until
            then the plate must say so.`,
          numbers: {},
          mend: { label: 'Label it “not for drinking”', move: setField('node', tap.id, 'label', 'not-for-drinking') },
          answers: [{ label: 'Treat its water', move: moveOf('fitTreatment', { tap: tap.id }) }],
        },
      ]
    }),
})

export const dripWeak = defineCheck({
  id: 'drip-weak',
  step: 'lift',
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

export const cordUnderWater = defineCheck({
  id: 'cord-under-water',
  step: 'lift',
  needs: ['site'],
  sound: 'Cords of pumps leave their tanks above the highest water',
  find: ({ site }) =>
    site.nodes.flatMap(tank =>
      tank.kind !== 'tank'
        ? []
        : tank.ports.flatMap((port): Finding[] => {
            const topM = Math.max(...tank.ports.filter(({ role }) => role === 'overflow').map(each => each.heightM))
            if (port.cordAtM === undefined || port.cordAtM > topM || !Number.isFinite(topM)) return []
            return [
              {
                id: `cord-under-water:${tank.id}:${port.name}`,
                check: 'cord-under-water',
                severity: 'wrong',
                subject: nodeSubject(tank),
                sentence: say`The pump’s cord leaves ${tank.name} below its highest water: its gland leaks into what is
                  live.`,
                why: say`Bring it out above the overflow, in a gland that looks down, to a protected outlet that a licensed
                  trade has fitted.`,
                numbers: { cordAtM: port.cordAtM, topM },
                mend: {
                  label: 'Bring it out above the overflow',
                  move: setField('port', `${tank.id}.${port.name}`, 'cordAtM', Math.round((topM + 0.05) * 1000) / 1000),
                },
              },
            ]
          }),
    ),
})
