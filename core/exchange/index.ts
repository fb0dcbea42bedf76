export { daysTable } from './daysTable'
export { readOutline } from './outlineFile'
export { readSites, writeYard } from './yardFile'
