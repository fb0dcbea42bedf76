export { drawSection, eavesM, roofRiseM, slotOfNode, type Drawing } from './drawing'
export type { PlacedPart, Route, Stretch, Water } from './routes'
export { portX, STAFF_PX, type Slot } from './slots'
export { FOLD_PX, staffMarks, type StaffMark, type VerticalScale } from './scale'
