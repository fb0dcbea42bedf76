export { daysTable } from './daysTable'
export { readOutline } from './outlineFile'
