export { counted, listed } from './counts'
export { monthNames } from './months'
export {
  bore,
  flow,
  hours,
  intensity,
  length,
  percent,
  phraseText,
  pipeSize,
  quantityText,
  rain,
  say,
  volume,
  type Phrase,
} from './phrase'
