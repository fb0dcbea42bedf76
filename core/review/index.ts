export type { Finding, Mend } from './finding'
export { review, type CheckId, type Review, type StepFinding } from './review'
