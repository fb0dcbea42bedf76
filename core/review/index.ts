export type { Finding, Mend } from './finding'
export { review, reviewOf, type CheckId, type Review, type StepFinding } from './review'
