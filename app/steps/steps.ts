import { build } from './build/definition'
import { catchStep } from './catch/definition'
import { clean } from './clean/definition'
import { keep } from './keep/definition'
import { lift } from './lift/definition'
import { need } from './need/definition'
import { reach } from './reach/definition'
import type { StepDefinition } from './step'
import { tryStep } from './try/definition'
import { store } from './store/definition'

/** The steps in working order. Those without a sheet stand in the Path as not yet open. */
export const STEPS: StepDefinition[] = [need, catchStep, clean, store, lift, reach, tryStep, build, keep]

/** The step of an address; where there is none of that name that is open, the one where tanks stand. */
export const stepAt = (id: unknown): StepDefinition => STEPS.find(step => step.sheet && step.id === id) ?? store
