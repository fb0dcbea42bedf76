export { daysTable } from './daysTable'
export { readOutline } from './outlineFile'
export { readSites, writeYard } from './yardFile'
export { readPairs, type Column } from './pairs'
