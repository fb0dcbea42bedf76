import { byRoom, trade, type List } from './items'
import type { BaseId } from '../../catalog'
import { contactAreaM2, type Site } from '../../site'
import type { Tank } from '../../kinds'

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
export const BASE_PARTS: Record<BaseId, (site: Site, list: List, tank: Tank) => void> = {
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
