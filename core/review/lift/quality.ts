import { bestFirst, defineCheck, nodeSubject, type Finding } from '../finding'
import { flow, say } from '../../words'
import { moveOf, setField } from '../../moves'
import { DRINKING_FAULTS } from '../drinking'
import { drinkingFaults, tapsOf, trainsOf } from '../../network'
import { nameOf } from '../../site'

/** A larger one takes less pressure, so that more comes: room is left for that, more where a third is not enough. */
const ROOM = [1.3, 1.7, 2.2, 3]
const roomyLps = (flowLps: number, room: number) => Math.ceil(flowLps * room * 20) / 20

export const treatmentOverrated = defineCheck({
  id: 'treatment-overrun',
  step: 'lift',
  harms: 'people',
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
          ...bestFirst(
            ...ROOM.map(room => roomyLps(train.flowLps, room)).map(lps => ({
              label: say`Take one for ${flow(lps)}`,
              move: setField('part', part.id, 'ratedLps', lps),
            })),
          ),
        },
      ]
    }),
})

export const lampWithoutSensor = defineCheck({
  id: 'lamp-without-sensor',
  step: 'lift',
  harms: 'people',
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
  harms: 'people',
  follows: ['untreated-drinking'],
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

/** A cartridge may be so much coarser than the one before it and still be called as fine. */
const AS_FINE = 1.5

export const coarseBehindFine = defineCheck({
  id: 'coarse-behind-fine',
  step: 'lift',
  harms: 'cost',
  needs: ['site'],
  sound: 'Coarse filters stand before fine ones',
  find: ({ site }) => {
    const found = new Map<string, Finding>()
    for (const { tap, stages } of trainsOf(site)) {
      const filters = stages.flatMap(({ run, part }) =>
        part.kind === 'filter' && part.medium === 'sediment' ? [{ run, part }] : [],
      )
      const at = filters.findIndex(
        ({ part }, here) => here && part.ratingUm > AS_FINE * filters[here - 1]!.part.ratingUm,
      )
      if (at < 1) continue
      const [fine, coarse] = [filters[at - 1]!, filters[at]!]
      const name = nameOf(site, tap.id)
      found.set(coarse.part.id, {
        id: `coarse-behind-fine:${coarse.part.id}`,
        check: 'coarse-behind-fine',
        severity: 'look',
        subject: nodeSubject({ id: tap.id, name }),
        sentence: say`Before ${name} the filter of ${fine.part.ratingUm} µm stands first and chokes; that of
          ${coarse.part.ratingUm} µm behind it has nothing left to hold.`,
        why: say`Each holds what the one before let through. Coarse first, both last several times as long.`,
        numbers: { fineUm: fine.part.ratingUm, coarseUm: coarse.part.ratingUm },
        ...(fine.run === coarse.run
          ? {
              mend: {
                label: say`Set the ${coarse.part.ratingUm} µm first`,
                move: moveOf('movePart', { part: coarse.part.id, before: fine.part.id }),
              },
            }
          : {}),
      })
    }
    return [...found.values()]
  },
})

export const cordUnderWater = defineCheck({
  id: 'cord-under-water',
  step: 'lift',
  harms: 'people',
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
