export {
  drawSection,
  eavesM,
  readableWidthPx,
  roofRiseM,
  routeOfRun,
  slotOfNode,
  stretchOf,
  type Drawing,
} from './drawing'
export { gradeOf, type Grade } from './grade'
export { insideOf } from './inside'
export { labelsOf, type Label } from './labels'
export type { PlacedPart, Point } from './parts'
export { bandsOf, FOLD_PX, scaleOf, staffMarks, type ScaleBands, type VerticalScale } from './scale'
export { portX, STAFF_PX, type Slot } from './slots'
export { standingWater, stormLines, type StandingWater, type StormLine } from './stormLines'
export { pictureOf, type Frame, type HeldScale, type Picture } from './picture'
export { seenOf, type SeenRoute } from './seen'
export { received, sent, type HeldPicture, type SentPicture } from './sent'
export { isDrawn, PART_MARKS } from './symbols'
export type { Water } from './routes'
export { openedAt } from './width'
