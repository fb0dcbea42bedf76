export { outsideCost, weigh, weighOption, type Weighed, type Weighing } from './weigh'
