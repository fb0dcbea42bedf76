export type { Kind, System } from './units'
export { parseQuantity, type Parsed } from './parse'
export { groupDigits, showQuantity, showVolume, type ShownQuantity } from './show'
