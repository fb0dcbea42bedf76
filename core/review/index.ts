export type { Check, Finding, Mend } from './finding'
export { phraseText, quantityText, type Phrase, type Quantity } from './phrase'
export { CHECKS, review, type Review } from './review'
