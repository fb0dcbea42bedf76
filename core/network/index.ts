export { catchLimits, type CatchLimit } from './catchLimits'
export { boreMm } from './loss'
export { endHeightM, pathsFrom, type Path } from './paths'
export { joinsOf, roofLines, waterLine, type Join, type RoofLine, type WaterLine } from './roofLines'
