export { daysTable } from './daysTable'
export { readOutline } from './outlineFile'
export { readSites, writeYard, type SitesRead } from './yardFile'
export { readPairs, type Column } from './pairs'
