export type { Finding, Mend } from './finding'
export { review, type CheckId, type Review, type StepFinding } from './review'
export { proofOf, proveMends, provenReview, type Proof } from './proof'
