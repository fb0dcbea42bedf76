export { differences, outsideCost, weigh, weighOption, type Weighed, type Weighing } from './weigh'
export type { Check, Finding, Mend } from './finding'
export { monthNames, phraseText, quantityText, type Phrase, type Quantity } from './phrase'
export { CHECKS, review, type Review } from './review'
