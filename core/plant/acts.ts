import type { Command, CommandKind, COMMANDS } from './commands'
import { kindOf } from './commands'
import { isHole } from './holes'
import { note, rebuild, type World } from './world'
import type { z } from 'zod'

type DoingOf<Kind extends CommandKind> = z.infer<(typeof COMMANDS)[Kind]>

/** What each doing does to a world; true where its lines must be laid anew. */
const ACTS: { [Kind in CommandKind]: (world: World, doing: DoingOf<Kind>) => boolean } = {
  tap(world, { tap, to }) {
    if (to) world.open.set(tap, to)
    else world.open.delete(tap)
    note(world, to ? 'tap-opens' : 'tap-shuts', tap, to)
    return false
  },
  draw(world, { draw: tap, litres }) {
    world.draws.push({ tap, leftL: litres, sinceS: world.atS })
    if (!world.open.has(tap)) {
      world.open.set(tap, 1)
      note(world, 'tap-opens', tap, 1)
    }
    return false
  },
  valve(world, { valve, to }) {
    world.valves.set(valve, to)
    note(world, to ? 'valve-opens' : 'valve-shuts', valve)
    return true
  },
  power(world, { to }) {
    world.power = to
    note(world, to ? 'power-on' : 'power-off', '')
    return false
  },
  main(world, { main, to }) {
    if (to) world.mainsOff.delete(main)
    else world.mainsOff.set(main, 0)
    note(world, to ? 'main-on' : 'main-off', main)
    return false
  },
  pump(world, { pump, to }) {
    world.byHand.set(pump, to)
    return false
  },
  rainMmPerH(world, { rainMmPerH }) {
    if (rainMmPerH > 0 !== world.rainMmPerH > 0) note(world, rainMmPerH ? 'rain-begins' : 'rain-ends', '', rainMmPerH)
    world.rainMmPerH = rainMmPerH
    return false
  },
  sun(world, { sun }) {
    world.setSun = world.sun = sun
    note(world, 'sun', '', sun)
    return true
  },
  fault(world, { fault, at, to }) {
    world.faults.push({ fault, at, to })
    note(world, 'breaks', at)
    for (const chamber of world.roofs.chambers) {
      if (chamber.id !== at) continue
      if (fault === 'ball-stuck') chamber.shut = true
      if (fault === 'outlet-clogged') chamber.emptiesS = Infinity
    }
    return true
  },
}

/** Does something to a world; true where its lines are other ones now. */
export function act(world: World, doing: Command): boolean {
  const kind = kindOf(doing)!
  const anew = (ACTS[kind] as (world: World, doing: Command) => boolean)(world, doing)
  if (!anew) return false
  rebuild(world)
  // What broke open stays open.
  for (const { id, kind: of } of world.standing.site.nodes) if (of === 'tap' && isHole(id)) world.open.set(id, 1)
  return true
}
