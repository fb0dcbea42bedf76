import { runs, type World } from './world'

/** With the power on, an empty battery is full after so many hours. */
const CHARGE_H = 5
const S_PER_H = 3600

/** What comes into the battery less what is drawn from it, W, with these pumps giving water. */
export function chargeW(world: World, gives: (runId: string) => boolean): number {
  const { supply, controls } = world.standing
  if (world.power) return supply.usableWh / CHARGE_H
  const drawnW = controls.reduce(
    (sum, control) =>
      sum + (runs(world, control) && gives(control.run.id) ? (supply.inputW.get(control.run.id) ?? 0) : 0),
    0,
  )
  return supply.panelW * world.sun - drawnW
}

/** Seconds until the battery is empty at this rate. */
export const lastsS = ({ batteryWh, power }: World, watts: number): number =>
  power || watts >= 0 || batteryWh <= 0 ? Infinity : Math.max(1e-3, (S_PER_H * batteryWh) / -watts)

/** Charges or draws for some seconds; true where that has emptied the battery. */
export function charge(world: World, watts: number, seconds: number): boolean {
  const { usableWh } = world.standing.supply
  const before = world.batteryWh
  world.batteryWh = Math.min(usableWh, Math.max(0, before + (watts * seconds) / S_PER_H))
  if (world.batteryWh < 1e-9) world.batteryWh = 0
  return before > 0 && world.batteryWh === 0
}
