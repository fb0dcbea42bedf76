import { z } from 'zod'
import { atLeastZero, defineSum, digits, output, positive, type WorkingLine } from './sum'
import { circleArea } from './circleArea'

export type TankShape =
  | { shape: 'upright-cylinder'; diameterM: number; heightM: number }
  | { shape: 'lying-cylinder'; diameterM: number; lengthM: number }
  | { shape: 'box'; lengthM: number; widthM: number; heightM: number }

/** Inner height of a tank, floor to rim. */
export function tankHeight(tank: TankShape): number {
  return tank.shape === 'lying-cylinder' ? tank.diameterM : tank.heightM
}

/** Litres below a level measured from the floor; a level beyond the rim holds no more than the tank. */
export function tankVolume(tank: TankShape & { levelM: number }): { volumeL: number } {
  const levelM = Math.min(tankHeight(tank), Math.max(0, tank.levelM))
  switch (tank.shape) {
    case 'upright-cylinder':
      return { volumeL: circleArea(tank.diameterM) * levelM * 1000 }
    case 'box':
      return { volumeL: tank.lengthM * tank.widthM * levelM * 1000 }
    case 'lying-cylinder':
      return { volumeL: segmentArea(tank.diameterM / 2, levelM) * tank.lengthM * 1000 }
  }
}

/** Area of a circular segment filled from the bottom, m². */
function segmentArea(radiusM: number, levelM: number): number {
  const offset = radiusM - levelM
  return (
    radiusM * radiusM * Math.acos(Math.max(-1, Math.min(1, offset / radiusM))) -
    offset * Math.sqrt(Math.max(0, 2 * radiusM * levelM - levelM * levelM))
  )
}

const levelM = atLeastZero(50)
const shapes = z.discriminatedUnion('shape', [
  z.strictObject({ shape: z.literal('upright-cylinder'), diameterM: positive(50), heightM: positive(50), levelM }),
  z.strictObject({ shape: z.literal('lying-cylinder'), diameterM: positive(50), lengthM: positive(100), levelM }),
  z.strictObject({
    shape: z.literal('box'),
    lengthM: positive(100),
    widthM: positive(100),
    heightM: positive(50),
    levelM,
  }),
])

export const tankVolumeSum = defineSum({
  name: 'tank-volume',
  purpose: 'Litres in a tank at a level',
  formula: 'upright: π d²/4 · h · lying: segment · length · box: l · w · h',
  source: 'geometry; the lying cylinder by its circular segment',
  input: shapes.refine(input => input.levelM <= tankHeight(input), {
    path: ['levelM'],
    message: 'must not stand above the rim',
  }),
  output: output('volumeL'),
  examples: [
    { shape: 'upright-cylinder', diameterM: 1.9, heightM: 2, levelM: 0.8 },
    { shape: 'lying-cylinder', diameterM: 1.6, lengthM: 2.6, levelM: 0.8 },
    { shape: 'box', lengthM: 1.2, widthM: 1, heightM: 1, levelM: 0.8 },
  ],
  solve(input) {
    const result = tankVolume(input)
    const volume = (expression: string): WorkingLine => ({ symbol: 'V', expression, value: result.volumeL, unit: 'L' })
    if (input.shape === 'box')
      return {
        result,
        working: [volume(`${digits(input.lengthM)} × ${digits(input.widthM)} × ${digits(input.levelM)} × 1000`)],
      }
    const areaM2 =
      input.shape === 'lying-cylinder' ? segmentArea(input.diameterM / 2, input.levelM) : circleArea(input.diameterM)
    const lengthM = input.shape === 'lying-cylinder' ? input.lengthM : input.levelM
    const areaExpression =
      input.shape === 'lying-cylinder'
        ? `r² · acos((r − h)/r) − (r − h)·√(2rh − h²), r = ${digits(input.diameterM / 2)}, h = ${digits(input.levelM)}`
        : `π × ${digits(input.diameterM)}² / 4`
    return {
      result,
      working: [
        { symbol: 'A', expression: areaExpression, value: areaM2, unit: 'm²' },
        volume(`${digits(areaM2)} × ${digits(lengthM)} × 1000`),
      ],
    }
  },
})
