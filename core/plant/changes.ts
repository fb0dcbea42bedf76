import { weirKey, headM, LEVEL_M, note, PRESSURE_KPA, pressureKPa, type World } from './world'
import { graphOf } from '../site'

/** A change that a state brings: the figure of a store at which it comes, from which side, and what it does. */
interface Change {
  store: number
  /** True where the figure is a pressure, kPa; else it is a height above the datum. */
  kPa?: true
  value: number
  up: boolean
  then: () => void
}

/** A hole that ran dry takes water again when it stands this much higher; a float opens when it has fallen so far. */
const [GULP_M, FLOAT_GAP_M] = [0.005, 0.02]
/** A weir runs until the water stands so far below it. */
const ENDS_M = 1e-4
/** Of a hole that gulps, it is news once in so long. */
const NEWS_S = 3600
const MOST_ROUNDS = 20

/** Every change that may come next. */
function changesOf(world: World): Change[] {
  return [...openings(world), ...floats(world), ...weirs(world), ...switches(world)]
}

const openings = (world: World): Change[] =>
  [...world.standing.lines.openings].map(([key, { tankId, port, heightM }]): Change => {
    const store = world.standing.ids.indexOf(tankId)
    if (world.dry.has(key)) return { store, value: heightM + GULP_M, up: true, then: () => world.dry.delete(key) }
    const then = () => {
      world.dry.add(key)
      ranDry(world, tankId, port, heightM)
    }
    return { store, value: heightM + LEVEL_M, up: false, then }
  })

/** It is news that a hole runs dry where somebody draws by it. */
function ranDry(world: World, tankId: string, port: string, heightM: number): void {
  const last = world.toldDry.get(tankId)
  const isUsed = graphOf(world.document).outOf(tankId, port).length > 0
  if (!isUsed || (last !== undefined && world.atS - last < NEWS_S)) return
  world.toldDry.set(tankId, world.atS)
  note(world, 'mouth-dry', tankId, heightM)
}

const floats = (world: World): Change[] =>
  world.standing.floats.map(({ runId, store, shutsAtM }): Change => {
    const isShut = world.floatsShut.has(runId)
    const then = () => {
      if (isShut) world.floatsShut.delete(runId)
      else world.floatsShut.add(runId)
      note(world, isShut ? 'float-opens' : 'float-shuts', runId)
    }
    return { store, value: shutsAtM - (isShut ? FLOAT_GAP_M : LEVEL_M), up: !isShut, then }
  })

const weirs = (world: World): Change[] =>
  world.standing.weirs.map((weir, at): Change => {
    const key = weirKey(weir)
    const spills = world.spilling.has(key)
    const then = () => {
      if (spills) world.spilling.delete(key)
      else world.spilling.add(key)
      note(world, spills ? 'spill-ends' : 'spills', weir.tankId, weir.beginsM)
    }
    const value = weir.beginsM + (spills ? -ENDS_M : LEVEL_M)
    return { store: world.standing.weirOf[at]!, value, up: !spills, then }
  })

const switches = (world: World): Change[] =>
  world.standing.controls.flatMap(({ run, is }): Change[] => {
    const { ids, lines } = world.standing
    const on = world.switchedOn.get(run.id)!
    const then = () => void world.switchedOn.set(run.id, !on)
    if (is.by === 'pressure') {
      const value = on ? is.cutOutKPa - PRESSURE_KPA : is.cutInKPa + PRESSURE_KPA
      return [{ store: ids.indexOf(is.vessel), kPa: true, value, up: on, then }]
    }
    if (is.by !== 'level') return []
    const store = ids.indexOf(is.tank)
    const value = lines.stores[store]!.node.baseM + (on ? is.stopM - LEVEL_M : is.startM + LEVEL_M)
    return [{ store, value, up: on, then }]
  })

const figure = (world: World, { store, kPa }: Change, of: World['litres']): number =>
  kPa ? pressureKPa(world, store, of) : headM(world, store, of)

/** Makes every change that the state as it stands brings, until none does; true where there was any. */
export function settle(world: World): boolean {
  let any = false
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const due = changesOf(world).filter(change => {
      const now = figure(world, change, world.litres)
      return change.up ? now >= change.value : now <= change.value
    })
    if (!due.length) break
    for (const { then } of due) then()
    any = true
  }
  return any
}

/** The share of the way to other litres at which the first change comes; nothing where none does. */
export function firstChange(world: World, litres: World['litres']): number | undefined {
  let share: number | undefined
  for (const change of changesOf(world)) {
    const [before, after] = [figure(world, change, world.litres), figure(world, change, litres)]
    const { up, value } = change
    if (up ? after < value || before >= value : after > value || before <= value) continue
    share = Math.min(share ?? 1, (value - before) / (after - before))
  }
  return share
}
