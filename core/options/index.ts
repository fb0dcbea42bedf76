export { outsideCost, weigh, weighOption, type Weighed, type Weighing } from './weigh'
export { boreChoices, seriesLaid, liftsCompared, vesselSizes, type BoreChoice, type LiftCompared } from './lifts'
export { weighStages } from './stages'
