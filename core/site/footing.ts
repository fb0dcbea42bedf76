import { contactAreaM2, tankNominalL } from './tanks'
import { baseLoad, postLoad, tankHeight, type BaseLoadInput, type PostLoadInput } from '../sums'
import type { Tank } from '../kinds'
import { COVERS, SOILS } from '../catalog'

/**
 * Taller than this many times its narrowest width, a full tank on its base wants an engineer; so does a stand higher
 * than this, or one that carries more.
 */
export const MOST_HEIGHT_TO_WIDTH = 2
export const TALL_STAND_M = 1.5
export const HEAVY_ON_STAND_KG = 2500
/** A drum on a block or two is nobody's business but its owner's. */
const LIGHT_KG = 400
const LOW_M = 0.6
/** A stand higher than this sways unless it is braced. */
export const BRACE_ABOVE_M = 0.6

/** How a tank stands: what it weighs full, how hard it presses, what its ground bears. */
export interface Footing {
  load: BaseLoadInput
  massKg: number
  pressureKPa: number
  /** What the ground bears by what a spade finds; undefined where nobody has said. */
  bearsKPa: number | undefined
  /** Floor above ground, negative where it is buried. */
  liftM: number
  heightToWidth: number
  /** A stand's posts and what presses under each footing. */
  posts?: { input: PostLoadInput; postLoadKn: number; pressureKPa: number }
  /** Why an engineer should look; empty where nobody need. */
  engineer: ('slender' | 'tall' | 'heavy')[]
}

export function footingOf(tank: Tank): Footing {
  const load = { volumeL: tankNominalL(tank), emptyMassKg: tank.emptyMassKg, contactAreaM2: contactAreaM2(tank) }
  const { massKg, pressureKPa } = baseLoad(load)
  const liftM = tank.baseM - tank.groundM
  const heightToWidth =
    Math.max(0, liftM + tankHeight(tank.shape)) /
    Math.max(narrowestM(tank), tank.base === 'stand' ? (tank.stand?.widthM ?? 0) : 0)
  const onStand = tank.base === 'stand'
  const input = tank.stand && { massKg, posts: tank.stand.posts, footingAreaM2: tank.stand.footingAreaM2 }
  return {
    load,
    massKg,
    pressureKPa,
    bearsKPa: tank.soil && SOILS[tank.soil].bearingKPa,
    liftM,
    heightToWidth,
    ...(onStand && input ? { posts: { input, ...postLoad(input) } } : {}),
    engineer: [
      ...(liftM > 0.3 && heightToWidth > MOST_HEIGHT_TO_WIDTH && !(massKg < LIGHT_KG && liftM < LOW_M)
        ? ['slender' as const]
        : []),
      ...(onStand && liftM > TALL_STAND_M ? ['tall' as const] : []),
      ...(onStand && massKg > HEAVY_ON_STAND_KG ? ['heavy' as const] : []),
    ],
  }
}

function narrowestM({ shape }: Tank): number {
  return shape.shape === 'box'
    ? Math.min(shape.lengthM, shape.widthM)
    : shape.shape === 'lying-cylinder'
      ? Math.min(shape.diameterM, shape.lengthM)
      : shape.diameterM
}

/** True where no light reaches the water: through the wall, or from above where there is no lid. */
export function isLightTight({ cover, lid, lightTight }: Tank): boolean {
  if (!lid && cover !== 'roofed') return false
  return cover ? COVERS[cover].lightTight : lightTight
}
