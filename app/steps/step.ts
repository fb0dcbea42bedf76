import type { Component } from 'vue'
import type { Site } from '#core/site'
import type { Review, StepFinding } from '#core/review'
import type { Outlook, YearFigures, CatchYear } from '#core/balance'

export type StepId = 'need' | 'catch' | 'clean' | 'store' | 'lift' | 'reach' | 'try' | 'build' | 'keep'
export type StepMark = 'empty' | 'gaps' | 'sound' | 'closed'
export const MARK_WORDS: Record<StepMark, string> = {
  empty: 'not started',
  gaps: 'has gaps',
  sound: 'sound',
  closed: 'not yet open',
}

/** A figure that matters for a step, and what it is of. */
export interface StepFigure {
  name: string
  value: string
  note: string
}

/** What a step is told of the site to say its figures and its subjects: the document, and the workers' last answer. */
export interface StepContext {
  site: Site
  outlook: Outlook | undefined
  /** The year that is shown, and what it is called. */
  year: YearFigures | undefined
  which: string
  roofYear: CatchYear | undefined
  review: Review | undefined
  litres: (litres: number) => string
  show: (value: number, kind: import('#core/units').Kind) => string
}

/** One thing of a step that its Sheet tells of at a time. */
export interface Subject {
  id: string
  name: string
  /** Its key figure, in the index. */
  figure?: string
  /** Nodes, roofs, runs and uses that it tells of: picking any of them anywhere picks it. */
  holds: readonly string[]
  /** What is picked in the Section with it; without, it is no thing of the site. */
  node?: string
}

/** A step of the work: all that the frame needs to know of it. One without a sheet is not yet open. */
export interface StepDefinition {
  id: StepId
  name: string
  sheet?: Component
  /** True once somebody has begun on it. */
  started?: (site: Site) => boolean
  subjects?: (context: StepContext) => Subject[]
  /** The four figures of the Margin. */
  figures?: (context: StepContext) => StepFigure[]
  /** The caution that belongs to it, with who decides. */
  caution?: string
  /** True where the design storm's water is drawn in the Section. */
  storm?: boolean
}

/** How a step stands in the Path. */
export function markOf(step: StepDefinition, site: Site, review: Review | undefined): StepMark {
  if (!step.started) return 'closed'
  if (review?.findings.some(finding => finding.step === step.id)) return 'gaps'
  return step.started(site) ? 'sound' : 'empty'
}

/** What was found of a subject, of a step's own findings. */
export function findingsOf(subject: Pick<Subject, 'holds'>, step: StepId, review: Review | undefined): StepFinding[] {
  return (review?.findings ?? []).filter(finding => finding.step === step && subject.holds.includes(finding.subject.id))
}

export const WAITING = '…'
/** The figure of days short, and of how long the tanks last, alike at every step that shows them. */
export function daysShort({ outlook, year, which }: StepContext): StepFigure {
  const short = outlook?.years.map(each => each.shortDays) ?? []
  return {
    name: `Days short, ${which}`,
    value: year ? String(year.shortDays) : WAITING,
    note: outlook
      ? `${Math.min(...short)} to ${Math.max(...short)} over ${short.length} ${outlook.made ? 'made-up ' : ''}years`
      : '',
  }
}
