export { counted, listed } from './counts'
export { monthNames } from './months'
export {
  boreText,
  flow,
  hoursText,
  intensity,
  length,
  percent,
  phraseText,
  pipeSize,
  pressure,
  quantityText,
  rain,
  say,
  speed,
  volume,
  type Phrase,
} from './phrase'
