/** Area of a circle from its diameter, in the square of the diameter's unit. */
export function circleArea(diameter: number): number {
  return (Math.PI * diameter * diameter) / 4
}
