export { boreMm, fittingsK, lineFlowLps, pipeLengthM } from './loss'
export { catchLimits, type CatchLimit } from './storm/catchLimits'
export { joinsOf, passesMmPerH, roofLines, waterLine, type RoofLine } from './storm/roofLines'
export { roofsOfTankM2, stormIntoLps } from './storm/stormFlows'
