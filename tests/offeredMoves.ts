import { moveOf, type MoveName } from '../core/moves'
import {
  BASE_IDS,
  BRANCHING_IDS,
  FILL_LINE_IDS,
  FIXTURE_IDS,
  HOLD_IDS,
  LIFT_IDS,
  OUTFALL_IDS,
  TANK_KIND_IDS,
  USE_PRESET_IDS,
} from '../core/catalog'
import { feedsOf, tanksOf, type Move, type Site } from '../core/site'

const spouts = ({ nodes }: Site) => nodes.filter(({ kind }) => kind === 'spout').map(({ id }) => id)
const chambers = ({ nodes }: Site) => nodes.filter(({ kind }) => kind === 'chamber').map(({ id }) => id)
const taps = ({ nodes }: Site) => nodes.filter(({ kind }) => kind === 'tap').map(({ id }) => id)
const outfalls = ({ nodes }: Site) => nodes.filter(({ kind }) => kind === 'outfall').map(({ id }) => id)
const tanks = (site: Site) => tanksOf(site).map(({ id }) => id)
const trunks = (site: Site) => [...new Set(feedsOf(site).flatMap(({ trunk }) => trunk.slice(0, 1).map(({ id }) => id)))]
const each = <Of extends string, Rest extends string>(ids: readonly Of[], others: readonly Rest[]) =>
  ids.flatMap(id => others.map(other => [id, other] as const))

/**
 * Moves that set something up as the Sheets offer them, with what they put there unless told otherwise, by name; and
 * 'says' where a move only tells what somebody measured, wants, did or keeps, and what follows is theirs.
 */
const OFFERED: Record<MoveName, 'says' | ((site: Site) => Move[])> = {
  set: 'says',
  setHeight: 'says',
  setLower: 'says',
  remove: 'says',
  setClimate: 'says',
  turnHemisphere: 'says',
  addTank: site =>
    each(TANK_KIND_IDS, ['alone', 'joined', 'spill', 'stepped'] as const).map(([kind, how]) =>
      moveOf('addTank', { kind, how, ...(how === 'alone' ? {} : { to: tanks(site)[0]! }) }),
    ),
  fitOverflow: 'says',
  setPort: 'says',
  resizeTank: 'says',
  reshapeTank: site => tanks(site).map(tank => moveOf('reshapeTank', { tank, shape: 'box' })),
  setKind: 'says',
  standOn: site =>
    each(tanks(site).slice(0, 1), BASE_IDS)
      .filter(([, base]) => base !== 'bare-soil')
      .map(([tank, base]) => moveOf('standOn', { tank, base })),
  widenTanks: site => [moveOf('widenTanks', { tanks: tanks(site), share: 1.3 })],
  addSource: site =>
    (['well', 'main'] as const).flatMap(kind => [
      moveOf('addSource', { kind }),
      moveOf('addSource', { kind, tank: tanks(site)[0]! }),
      moveOf('addSource', { kind, use: site.uses[0]!.id }),
    ]),
  setTrigger: 'says',
  supplyFrom: 'says',
  topUpFrom: 'says',
  addRoof: site => [
    moveOf('addRoof', { name: 'Shed', lengthM: 5, widthM: 4, material: 'steel', tank: tanks(site)[0]! }),
  ],
  addRoofPiece: site => site.roofs.map(({ id }) => moveOf('addRoofPiece', { roof: id, lengthM: 3, widthM: 2 })),
  addSpout: site => site.roofs.map(({ id }) => moveOf('addSpout', { roof: id })),
  evenShares: site => site.roofs.map(({ id }) => moveOf('evenShares', { roof: id })),
  measureRoof: site => site.roofs.map(({ id }) => moveOf('measureRoof', { roof: id, by: 'area' })),
  setOutline: 'says',
  giveShare: site => site.roofs.map(({ id }) => moveOf('giveShare', { spout: spouts(site)[0]!, roof: id })),
  fitGutter: site =>
    site.roofs.flatMap(({ id, spouts: of }) =>
      of.map(({ nodeId }) => moveOf('fitGutter', { roof: id, spout: nodeId })),
    ),
  fitDownpipe: site => spouts(site).map(spout => moveOf('fitDownpipe', { spout })),
  fitFirstFlush: site => spouts(site).map(spout => moveOf('fitFirstFlush', { spout })),
  takeOutChamber: 'says',
  sizeChamber: site => chambers(site).map(chamber => moveOf('sizeChamber', { chamber, depthMm: 0.8 })),
  formChamber: site =>
    chambers(site).flatMap(chamber =>
      (['standpipe', 'drum', 'lying'] as const).map(form => moveOf('formChamber', { chamber, form })),
    ),
  fitChamberOutlet: site => chambers(site).map(chamber => moveOf('fitChamberOutlet', { chamber })),
  dipLine: site => spouts(site).map(spout => moveOf('dipLine', { spout, lowM: -0.4 })),
  fitLowDrain: 'says',
  joinSpouts: site => {
    const [one, other] = spouts(site)
    return one && other ? [moveOf('joinSpouts', { spout: one, into: other })] : []
  },
  setBore: 'says',
  fitScreen: site =>
    each(spouts(site), ['spout', 'inlet', 'line'] as const).map(([spout, type]) =>
      moveOf('fitScreen', { spout, type }),
    ),
  hangScreen: site => spouts(site).map(spout => moveOf('hangScreen', { spout })),
  takeOutScreen: 'says',
  setBypass: site => spouts(site).map(spout => moveOf('setBypass', { spout, months: [1, 2], by: 'flap' })),
  leadSpout: site => spouts(site).map(spout => moveOf('leadSpout', { spout, to: tanks(site).at(-1)! })),
  leadOverflow: site => tanks(site).map(tank => moveOf('leadOverflow', { tank })),
  fitSecondOverflow: site => tanks(site).map(tank => moveOf('fitSecondOverflow', { tank })),
  fitSumpPump: 'says',
  leadTo: site =>
    each(outfalls(site), OUTFALL_IDS).map(([outfall, to]) =>
      moveOf('leadTo', { outfall, to, ...(to === 'soakaway' ? { soil: 'sand' } : {}) }),
    ),
  setInlet: site =>
    each(tanks(site), ['top', 'calmed'] as const).map(([tank, style]) => moveOf('setInlet', { tank, style })),
  levelRims: 'says',
  linkAtBottom: 'says',
  joinAtHub: 'says',
  spillInto: 'says',
  feedByFloat: 'says',
  fitFloat: 'says',
  fitLinkValves: site =>
    site.runs.filter(run => run.from.port.startsWith('link')).map(({ id }) => moveOf('fitLinkValves', { run: id })),
  fitSpare: site => tanks(site).map(tank => moveOf('fitSpare', { tank })),
  widenLink: site =>
    site.runs
      .filter(run => run.from.port.startsWith('link'))
      .map(({ id }) => moveOf('widenLink', { run: id, boreMm: 68 })),
  turnValve: 'says',
  mergeTank: 'says',
  keepReserve: 'says',
  floatDrawOff: site =>
    tanks(site)
      .slice(-1)
      .map(tank => moveOf('floatDrawOff', { tank, port: 'outlet', hoseM: 1.5 })),
  fitSupplyValve: site => tanks(site).map(tank => moveOf('fitSupplyValve', { tank })),
  raiseDrawOff: 'says',
  drawFrom: site =>
    each(
      site.uses.map(({ id }) => id),
      tanks(site),
    ).map(([use, tank]) => moveOf('drawFrom', { use, tank })),
  protectFromFrost: site => tanks(site).map(tank => moveOf('protectFromFrost', { ids: [tank], by: 'heated' })),
  addUse: () => USE_PRESET_IDS.map(preset => moveOf('addUse', { preset, count: 1 })),
  scaleUses: 'says',
  ration: 'says',
  fitDrip: site =>
    site.uses.filter(({ amount }) => amount.by === 'bed').map(({ id }) => moveOf('fitDrip', { use: id })),
  fitTreatment: site => taps(site).map(tap => moveOf('fitTreatment', { tap })),
  liftBy: site =>
    each(trunks(site), LIFT_IDS).flatMap(([run, by]) => [
      moveOf('liftBy', { run, by }),
      ...HOLD_IDS.map(hold => moveOf('liftBy', { run, by, hold })),
    ]),
  liftUp: site =>
    each(LIFT_IDS, FILL_LINE_IDS).map(([by, line]) =>
      moveOf('liftUp', { from: tanks(site)[0]!, tank: tanks(site).at(-1)!, by, line }),
    ),
  branchBy: site => each(trunks(site), BRANCHING_IDS).map(([run, by]) => moveOf('branchBy', { run, by })),
  leadTap: 'says',
  addTap: site => [
    ...each(trunks(site), FIXTURE_IDS).map(([run, fixture]) => moveOf('addTap', { run, fixture })),
    ...FIXTURE_IDS.map(fixture => moveOf('addTap', { fixture, tank: tanks(site)[0]! })),
  ],
  backByMain: site => trunks(site).map(run => moveOf('backByMain', { run })),
  layPipe: 'says',
  giveCurve: 'says',
  shapeRun: 'says',
  insertPart: 'says',
  movePart: 'says',
  replacePart: 'says',
  splitRun: site => trunks(site).map(run => moveOf('splitRun', { run, by: 'tee' })),
  leadEnd: 'says',
  ventOrDrain: 'says',
  turnLine: 'says',
  notePrice: 'says',
  keepOption: 'says',
  dropOption: 'says',
  keepMode: 'says',
  setPositions: 'says',
  renameMode: 'says',
  dropMode: 'says',
  turnToMode: 'says',
  noteFound: 'says',
  pinReading: 'says',
  keepReading: 'says',
  dropPin: 'says',
  tickBought: 'says',
  own: 'says',
  measurePiece: 'says',
  tickTask: 'says',
  orderTasks: 'says',
  addStage: 'says',
  renameStage: 'says',
  dropStage: 'says',
  putInStage: 'says',
  cutPieces: 'says',
  cutAgain: 'says',
  ownLength: 'says',
  swapItem: 'says',
  logReading: 'says',
  logReadings: 'says',
  correctReading: 'says',
  dropReading: 'says',
  putChore: 'says',
  restrict: 'says',
  changeRestriction: 'says',
  dropRestriction: 'says',
  addDevice: 'says',
  changeDevice: 'says',
  dropDevice: 'says',
  accept: 'says',
  tellAgain: 'says',
}

/** Every move that sets something up, as it is offered on a site. */
export const offeredMoves = (site: Site): Move[] =>
  Object.values(OFFERED).flatMap(offer => (offer === 'says' ? [] : offer(site)))
