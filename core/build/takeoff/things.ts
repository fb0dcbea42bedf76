import { byRoom, trade, type List } from './items'
import { bore, say, volume } from '../../words'
import { contactAreaM2, tankNominalL, type Site } from '../../site'
import type { NodeKind, NodeOf, Tank } from '../../kinds'
import { FIXTURES, guessedPrice, TANK_KINDS, vesselPrice, type BaseId } from '../../catalog'

/** Ground that a base covers beyond its tank, m to each side; how thick it lies; and what a bag of concrete makes. */
const [EDGE_M, GRAVEL_M, SLAB_M, BAG_M3, SAND_M] = [0.2, 0.15, 0.1, 0.0125, 0.15]
const [BLOCK_M2, POST_SPARE_M] = [0.08, 0.1]

function grounds(tank: Tank): { areaM2: number; aroundM: number } {
  const sideM = Math.sqrt(contactAreaM2(tank)) + 2 * EDGE_M
  return { areaM2: sideM ** 2, aroundM: 4 * sideM }
}

function gravel(site: Site, list: List, tank: Tank, m3: number): void {
  const { count, ...sold } = byRoom(site, m3, 55)
  list.add({ id: 'gravel', what: 'crushed gravel', ...sold, group: 'bases' }, count, tank.id)
}
function concrete(site: Site, list: List, tank: Tank, bags: number): void {
  const size = trade(site, '25 kg', '50 lb')
  list.add({ id: 'concrete', what: 'concrete, dry', size, unit: 'bag', guess: 6, group: 'bases' }, bags, tank.id)
}

/** What each kind of base is made of. */
const BASE_PARTS: Record<BaseId, (site: Site, list: List, tank: Tank) => void> = {
  'bare-soil': () => {},
  gravel(site, list, tank) {
    const { areaM2, aroundM } = grounds(tank)
    gravel(site, list, tank, areaM2 * GRAVEL_M)
    list.add(
      {
        id: 'curb',
        what: 'timber for a curb',
        size: trade(site, '200 × 38 mm', '2 × 8 in'),
        unit: 'm',
        guess: 6,
        group: 'bases',
      },
      aroundM,
      tank.id,
    )
  },
  slab(site, list, tank) {
    const { areaM2, aroundM } = grounds(tank)
    concrete(site, list, tank, (areaM2 * SLAB_M) / BAG_M3)
    list.add({ id: 'steel-mesh', what: 'steel mesh', unit: 'm²', guess: 5, group: 'bases' }, areaM2, tank.id)
    gravel(site, list, tank, areaM2 * 0.1)
    list.add(
      {
        id: 'shuttering',
        what: 'boards for shuttering',
        size: trade(site, '100 × 25 mm', '1 × 4 in'),
        unit: 'm',
        guess: 3,
        group: 'bases',
      },
      aroundM,
      tank.id,
    )
  },
  blocks(site, list, tank) {
    list.add(
      {
        id: 'block',
        what: 'concrete block, solid',
        size: trade(site, '440 × 215 × 100 mm', '16 × 8 × 4 in'),
        guess: 3,
        group: 'bases',
      },
      Math.max(4, contactAreaM2(tank) / BLOCK_M2 / 2) * 2,
      tank.id,
    )
    const { areaM2 } = grounds(tank)
    gravel(site, list, tank, areaM2 * 0.1)
  },
  stand(site, list, tank) {
    const highM = Math.max(0.3, tank.baseM - tank.groundM)
    const sideM = Math.sqrt(contactAreaM2(tank)) + 0.1
    const posts = tank.stand?.posts ?? 4
    list.add(
      {
        id: 'post',
        what: 'treated post',
        size: trade(site, '100 × 100 mm', '4 × 4 in'),
        unit: 'm',
        guess: 9,
        group: 'bases',
      },
      posts * (highM + POST_SPARE_M),
      tank.id,
    )
    list.add(
      {
        id: 'beam',
        what: 'treated beam',
        size: trade(site, '150 × 50 mm', '2 × 6 in'),
        unit: 'm',
        guess: 6,
        group: 'bases',
      },
      4 * sideM + Math.ceil(sideM / 0.4) * sideM,
      tank.id,
    )
    list.add(
      {
        id: 'deck',
        what: 'decking boards',
        size: trade(site, '140 × 38 mm', '2 × 6 in'),
        unit: 'm',
        guess: 4.5,
        group: 'bases',
      },
      (sideM / 0.145) * sideM,
      tank.id,
    )
    if (tank.stand?.braced ?? true)
      list.add(
        {
          id: 'brace',
          what: 'bracing',
          size: trade(site, '100 × 38 mm', '2 × 4 in'),
          unit: 'm',
          guess: 3.5,
          group: 'bases',
        },
        4 * Math.hypot(highM, sideM),
        tank.id,
      )
    list.add(
      {
        id: 'bolt',
        what: 'galvanised bolt with washers',
        size: trade(site, 'M12', '1/2 in'),
        guess: 1.6,
        group: 'bases',
      },
      posts * 6,
      tank.id,
    )
    concrete(site, list, tank, posts * 2)
  },
  buried(site, list, tank) {
    const { areaM2 } = grounds(tank)
    const { count, ...sold } = byRoom(site, areaM2 * SAND_M * 3, 40)
    list.add({ id: 'sand', what: 'washed sand for the bed and round it', ...sold, group: 'bases' }, count, tank.id)
  },
}

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
        size: say`${bore(tank.ventMm)}`,
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
        { id: `mesh:${boreMm}`, what: 'mesh over an overflow', size: say`${bore(boreMm)}`, guess: 5, group: 'walls' },
        1,
        tank.id,
      )
    if (spare)
      list.add(
        {
          id: `spare-${spare}:${boreMm}`,
          what: spare === 'valve' ? 'valve for the next tank, with its bulkhead' : 'bulkhead and cap for the next tank',
          size: say`${bore(boreMm)}`,
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
          size: say`${bore(boreMm)}`,
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
      { id: `spout:${boreMm}`, what: 'gutter outlet', size: say`${bore(boreMm)}`, guess: 7, group: 'fittings' },
      1,
      id,
    )
    if (bypassMonths?.length)
      list.add(
        {
          id: `flap:${boreMm}`,
          what: 'flap that sends a spout to ground',
          size: say`${bore(boreMm)}`,
          guess: 18,
          found: 2,
          group: 'parts',
        },
        1,
        id,
      )
  },
  chamber(_, list, { id, form, innerDiameterMm, heightM, orificeMm, ball }) {
    const size = say`${bore(innerDiameterMm)}`
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
