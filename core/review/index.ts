export type { Check, Finding } from './finding'
export { phraseText, quantityText, type Phrase, type Quantity } from './phrase'
export { CHECKS, review, type Review } from './review'
