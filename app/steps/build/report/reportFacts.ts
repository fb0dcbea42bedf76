import type { Site } from '#core/site'
import type { Review } from '#core/review'
import type { Kind } from '#core/units'
import type { StepFigure } from '~/steps/step'

/** What a report is made from, besides the document. */
export interface ReportFacts {
  site: Site
  /** The day it is made on, and which state of the plan it tells of. */
  on: string
  plan: string
  section: string | undefined
  /** The four headline figures, and all others by the step that tells them. */
  headlines: StepFigure[]
  figures: { step: string; figures: StepFigure[] }[]
  review: Review | undefined
  cautions: string[]
  show: (value: number, kind: Kind) => string
  money: (amount: number) => string
}
