export type { Finding, Mend } from './finding'
export { review, reviewOf, type Review, type StepFinding } from './review'
