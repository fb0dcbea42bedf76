import { group } from 'd3-array'
import type { Component } from 'vue'
import type { Site } from '#core/site'
import type { Review, StepFinding } from '#core/review'
import { overYears, type Outlook, type PoolFigures, type YearFigures, type CatchYear } from '#core/balance'

export type StepId = 'need' | 'catch' | 'clean' | 'store' | 'lift' | 'reach' | 'try' | 'build' | 'keep'
export type StepMark = 'empty' | 'working' | 'look' | 'clear' | 'closed'
export const MARK_WORDS: Record<StepMark, string> = {
  empty: 'not begun',
  working: 'being worked out',
  look: 'to look at',
  clear: 'nothing found',
  closed: 'not yet open',
}

/** A figure that matters for a step, and what it is of. */
export interface StepFigure {
  name: string
  value: string
  note: string
  /** True where it is known before the years are. */
  early?: boolean
}

/** What a step is told of the site to say its figures and its subjects: the document, and the workers' last answer. */
export interface StepContext {
  site: Site
  /** What the groups of tanks hold; told before the years are. */
  pools: PoolFigures[] | undefined
  outlook: Outlook | undefined
  roofYear: CatchYear | undefined
  review: Review | undefined
  /** True where the review is of the document as it is now. */
  isReviewed: boolean
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
  /** True while something of it is still to be done before water may come. */
  isOpen?: boolean
}

/** A step of the work: all that the frame needs to know of it. One without a sheet is not yet open. */
export interface StepDefinition {
  id: StepId
  name: string
  sheet?: Component
  /** True once somebody has begun on it. */
  started?: (site: Site) => boolean
  /** True while something of it is still to be done before water may come. */
  isOpen?: (site: Site) => boolean
  subjects?: (context: StepContext) => Subject[]
  /** The four figures of the Margin. */
  figures?: (context: StepContext) => StepFigure[]
  /** The caution that belongs to it, with who decides. */
  caution?: string
  /** True where the design storm's water is drawn in the Section. */
  storm?: boolean
  /** True where its own notes show the picked run part by part. */
  partByPart?: boolean
  /** True where the Sheet comes before the Section on a phone. */
  sheetFirst?: boolean
  /** True where the line of pressure to the tap in hand is drawn in the Section. */
  grade?: boolean
}

/** How something stands of which some is found or open; nothing is said to be clear before it is looked at. */
export function markFor(found: readonly StepFinding[], isOpen: boolean, isReviewed: boolean): StepMark {
  if (found.length || isOpen) return 'look'
  return isReviewed ? 'clear' : 'working'
}

/** How a step stands in the Path. */
export function markOf(step: StepDefinition, context: StepContext): StepMark {
  const { site, review, isReviewed } = context
  if (!step.started) return 'closed'
  const found = review?.findings.filter(finding => finding.step === step.id) ?? []
  if (!found.length && !step.started(site)) return 'empty'
  return markFor(found, step.isOpen?.(site) ?? false, isReviewed)
}

/** What was found of a subject, of a step's own findings. */
export function findingsOf(subject: Pick<Subject, 'holds'>, step: StepId, review: Review | undefined): StepFinding[] {
  if (!review) return []
  const about = findingsAbout(review)
  return [...new Set(subject.holds)].flatMap(id => about.get(id) ?? []).filter(finding => finding.step === step)
}

/** The findings of a review by what they are about, sorted once: every subject of every step asks. */
const sorted = new WeakMap<Review, Map<string, StepFinding[]>>()
function findingsAbout(review: Review): Map<string, StepFinding[]> {
  let about = sorted.get(review)
  if (!about) sorted.set(review, (about = group(review.findings, finding => finding.subject.id)))
  return about
}

export const WAITING = '…'

/**
 * A figure of a year as a headline: the middle of all years of the plan, and their range beneath. It moves with the
 * plan alone, and never because another year is looked at.
 */
export function middleOfYears(
  name: string,
  { outlook }: Pick<StepContext, 'outlook'>,
  of: (year: YearFigures) => number,
  text: (value: number) => string,
): StepFigure {
  if (!outlook) return { name, value: WAITING, note: '' }
  const { middle, least, most } = overYears(outlook, of)
  const range = least === most ? '' : `, ${text(least)} to ${text(most)}`
  return {
    name,
    value: text(middle),
    note: outlook.years.length === 1 ? 'in the one year there is' : `middle of ${outlook.years.length} years${range}`,
  }
}

/** The figure of days short, alike at every step that shows it. */
export const daysShort = (context: StepContext): StepFigure =>
  middleOfYears(
    'Days short a year',
    context,
    year => year.shortDays,
    value => String(Math.round(value)),
  )
