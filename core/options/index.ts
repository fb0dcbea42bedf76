export { outsideCost, weigh, weighOption, type Weighed, type Weighing } from './weigh'
export { boreChoices, seriesOf, sideBySide, vesselSizes, type BoreChoice, type SideBySide } from './lifts'
export { weighStages } from './stages'
