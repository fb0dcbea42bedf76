import { BASE_PARTS } from './bases'
import { byRoom, type List } from './items'
import { pipeSize, say, volume } from '../../words'
import { contactAreaM2, tankNominalL, type Site } from '../../site'
import type { NodeKind, NodeOf, Tank } from '../../kinds'
import { FIXTURES, guessedPrice, TANK_KINDS, vesselPrice } from '../../catalog'

/** Tanks larger than this are not bought off a list, L. */
const MOST_SOLD_L = 60_000

/** A tank itself, without what stands under it or goes through its wall. */
export function takeOffVessel(list: List, tank: Tank): void {
  const litres = Math.round(tankNominalL(tank))
  list.add(
    {
      id: `tank:${tank.tankKind}:${litres}`,
      what: TANK_KINDS[tank.tankKind].name,
      size: say`${volume(litres)}`,
      // What is built where it stands is priced by who builds it.
      guess: tank.price ?? (litres <= MOST_SOLD_L ? Math.round(guessedPrice(tank.tankKind, litres)) : undefined),
      found: 3,
      group: 'tanks',
    },
    1,
    tank.id,
  )
}

function takeOffTank(site: Site, list: List, tank: Tank): void {
  takeOffVessel(list, tank)
  BASE_PARTS[tank.base](site, list, tank)
  if (tank.mat)
    list.add(
      { id: 'mat', what: 'mat under the tank', unit: 'm²', guess: 9, group: 'bases' },
      contactAreaM2(tank),
      tank.id,
    )
  if (tank.ventMm > 0)
    list.add(
      {
        id: `vent:${tank.ventMm}`,
        what: 'vent with mesh',
        size: say`${pipeSize(tank.ventMm)}`,
        guess: 9,
        found: 2,
        group: 'walls',
      },
      1,
      tank.id,
    )
  for (const { ending, spare, boreMm, floating } of tank.ports) {
    if (ending === 'screened')
      list.add(
        {
          id: `mesh:${boreMm}`,
          what: 'mesh over an overflow',
          size: say`${pipeSize(boreMm)}`,
          guess: 5,
          group: 'walls',
        },
        1,
        tank.id,
      )
    if (spare)
      list.add(
        {
          id: `spare-${spare}:${boreMm}`,
          what: spare === 'valve' ? 'valve for the next tank, with its bulkhead' : 'bulkhead and cap for the next tank',
          size: say`${pipeSize(boreMm)}`,
          guess: spare === 'valve' ? 24 : 13,
          found: 2,
          group: 'walls',
        },
        1,
        tank.id,
      )
    if (floating)
      list.add(
        {
          id: `intake:${boreMm}`,
          what: 'floating intake with tether',
          size: say`${pipeSize(boreMm)}`,
          guess: 48,
          found: 3,
          group: 'parts',
        },
        1,
        tank.id,
      )
  }
}

const PER_DRUM = 45
/** What each kind of node is bought as, beyond the lines that meet there. */
const THINGS: { [Kind in NodeKind]: (site: Site, list: List, node: NodeOf<Kind>) => void } = {
  spout(_, list, { id, boreMm, bypassMonths }) {
    list.add(
      { id: `spout:${boreMm}`, what: 'gutter outlet', size: say`${pipeSize(boreMm)}`, guess: 7, group: 'fittings' },
      1,
      id,
    )
    if (bypassMonths?.length)
      list.add(
        {
          id: `flap:${boreMm}`,
          what: 'flap that sends a spout to ground',
          size: say`${pipeSize(boreMm)}`,
          guess: 18,
          found: 2,
          group: 'parts',
        },
        1,
        id,
      )
  },
  chamber(_, list, { id, form, innerDiameterMm, heightM, orificeMm, ball }) {
    const size = say`${pipeSize(innerDiameterMm)}`
    if (form === 'drum')
      list.add(
        { id: `flush-drum:${innerDiameterMm}`, what: 'sealed drum', size, guess: PER_DRUM, found: 2, group: 'parts' },
        1,
        id,
      )
    else {
      list.add(
        {
          id: `standpipe-${innerDiameterMm}`,
          what: 'first-flush pipe',
          size,
          unit: 'm',
          guess: 0.09 * innerDiameterMm,
          group: 'pipes',
        },
        heightM,
        id,
      )
      list.add({ id: `clean-out:${innerDiameterMm}`, what: 'clean-out cap', size, guess: 8, group: 'fittings' }, 1, id)
    }
    if (ball ?? true)
      list.add(
        { id: `ball:${innerDiameterMm}`, what: 'ball and its seat', size, guess: 12, found: 3, group: 'parts' },
        1,
        id,
      )
    if (orificeMm !== null)
      list.add({ id: 'flush-outlet', what: 'small valve for the chamber’s outlet', guess: 6, group: 'parts' }, 1, id)
  },
  tank: takeOffTank,
  pressureTank(_, list, { id, volumeL, price, gauge }) {
    list.add(
      {
        id: `vessel:${volumeL}`,
        what: 'pressure tank',
        size: say`${volume(volumeL)}`,
        guess: price ?? vesselPrice(volumeL),
        found: 3,
        group: 'parts',
      },
      1,
      id,
    )
    if (gauge ?? true) list.add({ id: 'gauge', what: 'pressure gauge', guess: 9, group: 'parts' }, 1, id)
    list.add({ id: 'vessel-tee', what: 'tank tee with its ports', guess: 28, found: 2, group: 'parts' }, 1, id)
  },
  well: () => {},
  main: () => {},
  joint: () => {},
  tap(_, list, { id, fixture }) {
    // What stands in the house stands there already; what is fitted outside is bought.
    if (!FIXTURES[fixture].outside || fixture === 'drip') return
    list.add({ id: `fixture:${fixture}`, what: FIXTURES[fixture].name, guess: 14, group: 'parts' }, 1, id)
  },
  outfall(site, list, { id, pit }) {
    if (!pit) return
    const m3 = pit.lengthM * pit.widthM * pit.depthM * (1 - pit.voidShare)
    const { count, ...sold } = byRoom(site, m3, 48)
    list.add({ id: 'soakaway-stone', what: 'clean stone for a soakaway', ...sold, group: 'bases' }, count, id)
  },
}

/** Everything that stands, and what it stands on. */
export function takeOffThings(site: Site, list: List): void {
  for (const node of site.nodes)
    (THINGS[node.kind] as (site: Site, list: List, of: typeof node) => void)(site, list, node)
  for (const run of site.runs)
    for (const part of run.parts)
      if (part.kind === 'pump') {
        if (part.cable)
          list.add(
            {
              id: `cable:${part.cable.conductorMm2}`,
              what: 'cable for water, three cores',
              size: `${part.cable.conductorMm2} mm²`,
              unit: 'm',
              guess: 1.2 + 0.7 * part.cable.conductorMm2,
              group: 'parts',
            },
            part.cable.lengthM,
            run.id,
          )
        list.add({ id: 'gland', what: 'cable gland', guess: 4, group: 'parts' }, 1, run.id)
      }
}
