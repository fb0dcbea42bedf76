import { line } from 'd3-shape'

/** A line through points, as an SVG path. */
export const pathOf = (points: [number, number][]): string => line()(points) ?? ''
