export { readOutline } from './outlineFile'
