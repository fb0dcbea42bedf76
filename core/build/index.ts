export { buildOf, portChains, type PortChain } from './build'
export { built, type Built } from './built'
export { cutFromOwn, WORTH_M, type OwnOrBought } from './cutFromOwn'
export { cutSheets, KERF_MM, ownLengthsM, type CutSheet } from './cutSheets'
export {
  chains,
  endsOfStep,
  WEIGHING_IDS,
  WEIGHINGS,
  type Chain,
  type ChainStep,
  type ChainCost,
  type WeighingId,
} from './chain'
export { cutList, type CutList, type Stock } from './cuts'
export { TAKEN_OFF_OF } from './reads'
export { gateOf, type GateItem } from './gate'
export { aroundM, holesOf, holesOfTank, landsAtMm, sawFor, type Hole } from './holes'
export { acrossOf, identify, type Candidate, type Identified, type Question, type Seen } from './identify'
export { closedLoops } from './loops'
export { boughtAs, MATERIALS, metrePrice, pipeId, stockOf, type Bought, type MaterialId } from './materials'
export { idleDays, type Idle } from './order/idle'
export { fitsInto, hasNoCircle, inOrder, moveTask, planOf, type Crew, type Planned } from './order/order'
export { WORK_IDS, WORKS, type Task, type WorkId } from './order/task'
export { tasksOf } from './order/tasks'
export { cornersOf, piecesOf, type Piece, type PieceEnd } from './pieces'
export { fitNow, partsOfStage, siteAt, stagesOf, tellStages, type FitNow } from './stages'
export { forIdsOf, GROUPS, tripOf, TRIPS, type GroupId, type Item, type TripId, type Unit } from './takeoff/items'
export { chainAt, mainPipe, pipeEnd, sizeOf } from './takeoff/lines'
export { byLine, type LineParts } from './takeoff/byLine'
export { substitutesOf, type Substitute } from './takeoff/substitutes'
export { byTrip, takeOff, takeOffVessels, toBuy, totalOf, type ToBuy } from './takeoff/takeoff'
export { readEnd } from './readEnd'
export { cutWords } from './cutWords'
