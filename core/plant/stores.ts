import { ATMOSPHERE_KPA, headOfPressureM, risingTo, tankHeight, tankVolume } from '../sums'
import type { NodeOf, Tank } from '../kinds'

/** Something that holds water: how high that stands, and how fast it rises with what comes in. */
export interface PlantStore {
  /** Height of the water, or of the head it gives, above the datum, for so many litres. */
  headM: (litres: number) => number
  /** How far that rises with each litre more. */
  risePerL: (litres: number) => number
}

/** A lying tank's surface is never taken as narrower than this share of its widest: near the top it would be nothing. */
const LEAST_WIDTH_SHARE = 0.05
const NEWTON_STEPS = 12

/** A tank by its litres. Over its rim it goes on as wide as there, for as long as water runs over. */
export function heldInTank({ shape, baseM }: Tank): PlantStore & { litresAt: (levelM: number) => number } {
  const tallM = tankHeight(shape)
  const volumeL = (levelM: number) => tankVolume({ ...shape, levelM }).volumeL
  const fullL = volumeL(tallM)
  const areaM2 = (levelM: number): number => {
    if (shape.shape !== 'lying-cylinder') return fullL / tallM / 1000
    const { diameterM, lengthM } = shape
    const chordM = 2 * Math.sqrt(Math.max(0, levelM * (diameterM - levelM)))
    return Math.max(chordM, LEAST_WIDTH_SHARE * diameterM) * lengthM
  }
  /** Where it was last looked at: the next time is seldom far from there. */
  let lastM = tallM / 2
  function lyingM(litres: number): number {
    for (let step = 0; step < NEWTON_STEPS; step++) {
      const offL = litres - volumeL(lastM)
      const nextM = lastM + offL / areaM2(lastM) / 1000
      if (Math.abs(offL) < 1e-10 * fullL) return lastM
      lastM = nextM <= 0 ? lastM / 2 : nextM >= tallM ? (lastM + tallM) / 2 : nextM
    }
    return (lastM = risingTo(litres, volumeL, tallM))
  }
  const levelM = (litres: number): number => {
    if (litres <= 0) return 0
    if (litres >= fullL) return tallM + (litres - fullL) / areaM2(tallM) / 1000
    return shape.shape === 'lying-cylinder' ? lyingM(litres) : (litres / fullL) * tallM
  }
  return {
    headM: litres => baseM + levelM(litres),
    risePerL: litres => 1 / (1000 * areaM2(levelM(litres))),
    litresAt: volumeL,
  }
}

/**
 * A pressure tank by its litres of water: the gas over it is squeezed as Boyle says, at 15 °C throughout. `gasShare` is
 * what is left of its gas.
 */
export function heldInVessel(
  { baseM, volumeL, prechargeKPa }: NodeOf<'pressureTank'>,
  gasShare = 1,
): PlantStore & { pressureKPa: (litres: number) => number; litresAt: (kPa: number) => number } {
  const gas = (prechargeKPa + ATMOSPHERE_KPA) * volumeL * gasShare
  /** Gas that was lost left its room to water: there is always some in it. */
  const roomL = (litres: number) => Math.max(volumeL * 1e-3, volumeL - litres)
  const pressureKPa = (litres: number) => gas / roomL(litres) - ATMOSPHERE_KPA
  return {
    pressureKPa,
    litresAt: kPa => Math.max(0, volumeL - gas / (kPa + ATMOSPHERE_KPA)),
    headM: litres => baseM + headOfPressureM(pressureKPa(litres)),
    risePerL: litres => headOfPressureM(gas / roomL(litres) ** 2),
  }
}
