import { build } from './sites'
import { moveOf, setField, standInClimate } from '../core/moves'
import { feedsOf, portId, runsTo, type Site } from '../core/site'
import {
  linkOf,
  outletOf,
  without,
  partOf,
  pumpRun,
  lifted,
  vessel,
  branchPipe,
  onWell,
  withWell,
  withLines,
  laidIn,
  valvesOf,
  filledHill,
  raisedInlet,
} from './soundSite'

/** A tank up the hill, the pump that fills it, and a valve of its line. */
function pumpedHill(site: Site) {
  const hill = filledHill(site)
  const pump = hill.runs.flatMap(run => run.parts).findLast(part => part.kind === 'pump')!
  const { parts } = hill.runs.find(run => run.parts.includes(pump))!
  return { hill, pump, valve: parts.find(part => part.kind === 'valve')!.id }
}

/** For each check of lines, pumps, ways of running and the build, how a sound site comes to fail it. */
export const LINE_FAULTS: Record<string, (site: Site) => Site> = {
  'tap-weak': site => branchPipe(site, 5),
  'tap-too-strong': site => {
    const set = lifted(site, 'variable-speed')
    const { id } = partOf(set, 'pump')
    return build(set, setField('part', id, 'headM', 90), setField('part', id, 'setKPa', 800))
  },
  'water-too-fast': site => branchPipe(site, 9),
  'air-in-line': site => {
    const run = feedsOf(site).find(feed => feed.lift === 'gravity')!.trunk[0]!.id
    const teed = build(site, moveOf('addTap', { fixture: 'hose', run }))
    return build(
      teed,
      moveOf('setHeight', { node: teed.nodes.findLast(node => node.kind === 'joint')!.id, baseM: 2.5 }),
    )
  },
  'hump-without-vent': site => {
    const run = feedsOf(site).find(feed => feed.lift === 'gravity')!.trunk[0]!.id
    return build(site, moveOf('shapeRun', { run, places: [{ alongM: 3, heightM: 1.2 }] }))
  },
  'suction-too-high': site => onWell(withWell(site), 10),
  'no-foot-valve': site => {
    const well = onWell(withWell(site), 4)
    return build(well, moveOf('remove', { id: well.runs.find(run => run.from.node === 'well-1')!.parts[0]!.id }))
  },
  'pump-off-its-curve': site => build(site, setField('part', partOf(site, 'pump').id, 'headM', 0.4)),
  'pump-runs-dry': site => {
    const jet = lifted(site, 'jet')
    return build(jet, setField('part', partOf(jet, 'pump').id, 'dryGuard', undefined))
  },
  'pump-not-needed': site => build(site, ...['tank-1', 'tank-2'].map(node => moveOf('setHeight', { node, baseM: 14 }))),
  'pump-in-soil': site => build(site, moveOf('setKind', { tank: pumpRun(site).from.node, kind: 'buried' })),
  'rigid-at-pump': site => {
    const bare = without(site, part => part.kind === 'flexible')
    const part = { kind: 'pipe', lengthM: 1, innerDiameterMm: 26.6, roughnessMm: 0.0015 }
    return build(bare, moveOf('insertPart', { run: pumpRun(bare).id, before: partOf(bare, 'pump').id, part }))
  },
  'check-missing': site => without(lifted(site, 'jet'), part => part.kind === 'check'),
  'float-chokes': site => {
    const hill = build(site, moveOf('addTank', { kind: 'header', how: 'alone' }))
    const filled = build(
      hill,
      moveOf('setHeight', { node: 'tank-3', baseM: 12 }),
      moveOf('liftUp', { from: 'tank-1', tank: 'tank-3', by: 'jet', line: 'over' }),
    )
    return build(filled, setField('part', partOf(filled, 'float').id, 'boreMm', 8))
  },
  'never-cuts-out': site => build(vessel(site), setField('node', 'pressure-tank-1', 'cutOutKPa', 900)),
  'level-switch-alone': site => build(site, setField('part', partOf(site, 'pump').id, 'switchedBy', 'level-switch')),
  'starts-too-often': site => build(vessel(site), setField('node', 'pressure-tank-1', 'volumeL', 15)),
  'precharge-off': site => build(vessel(site), setField('node', 'pressure-tank-1', 'prechargeKPa', 400)),
  'relief-missing': site => without(vessel(site), part => part.kind === 'relief'),
  'shut-off-wrong-side': site => {
    const held = vessel(site)
    const out = held.runs.find(run => run.from.node === 'pressure-tank-1')!
    return build(held, moveOf('remove', { id: out.parts[0]!.id }))
  },
  'cable-too-thin': site =>
    build(site, setField('part', partOf(site, 'pump').id, 'cable', { lengthM: 500, conductorMm2: 1 })),
  'panel-too-small': site => build(site, setField('site', '', 'power', { panelW: 1, batteryWh: 600 })),
  'cord-under-water': site => {
    const inside = lifted(site, 'submersible')
    const { source, port } = feedsOf(inside).find(feed => feed.pump)!
    return build(inside, setField('port', `${source.id}.${port}`, 'cordAtM', 0.5))
  },
  'drip-weak': site => build(site, moveOf('fitDrip', { use: 'use-2' })),
  'drip-unstrained': site => {
    const dripped = build(site, moveOf('fitDrip', { use: 'use-2' }))
    const { at } = dripped.uses.find(({ id }) => id === 'use-2')!
    const strainer = runsTo(dripped, at)[0]!.parts.find(({ kind }) => kind === 'screen')!
    return build(dripped, moveOf('remove', { id: strainer.id }))
  },
  'coarse-behind-fine': site => {
    const [coarse, fine] = site.runs.flatMap(run => run.parts).filter(({ kind }) => kind === 'filter')
    return build(site, moveOf('movePart', { part: fine!.id, before: coarse!.id }))
  },
  'treatment-overrun': site => build(site, setField('part', partOf(site, 'filter').id, 'ratedLps', 0.05)),
  'lamp-without-sensor': site => build(site, setField('part', partOf(site, 'lamp').id, 'sensor', false)),
  'label-lies': site => build(site, setField('node', 'tap-2', 'label', 'drinking')),
  'water-goes-wrong': site => {
    const hill = build(site, moveOf('addTank', { kind: 'header', how: 'alone' }))
    const filled = build(
      hill,
      moveOf('setHeight', { node: 'tank-3', baseM: 12 }),
      moveOf('liftUp', { from: 'tank-1', tank: 'tank-3', by: 'jet', line: 'fills-and-feeds' }),
    )
    return without(filled, part => part.kind === 'check')
  },
  'main-joined': site =>
    build(site, moveOf('backByMain', { run: pumpRun(site).id }), setField('node', 'main-1', 'backflow', undefined)),
  'float-too-high': site => {
    const hill = filledHill(site)
    return build(hill, setField('part', partOf(hill, 'float').id, 'dropM', undefined), raisedInlet(hill))
  },
  'float-floods': site => {
    const hill = filledHill(site)
    const overflow = hill.runs.find(run => run.from.node === 'tank-3' && run.from.port === 'overflow')!
    return build(
      hill,
      moveOf('setPort', { tank: 'tank-3', port: 'overflow', boreMm: 12 }),
      moveOf('setBore', { runs: [overflow.id], boreMm: 10 }),
    )
  },
  'mode-serves-nobody': site =>
    build(
      site,
      moveOf('keepMode', { name: 'Nothing', positions: valvesOf(site).map(part => ({ part, open: false })) }),
    ),
  'mode-stalls': site => {
    const { hill, pump, valve } = pumpedHill(site)
    return build(
      hill,
      setField('part', pump.id, 'switchedBy', 'level-switch'),
      moveOf('keepMode', { name: 'Rest', positions: [{ part: valve, open: false }] }),
    )
  },
  'mode-leans': site => {
    // The first outlet's valve is shut by one way of running it; the other wants it open and says nothing of it.
    const outlet = site.runs.find(run => run.from.port === 'outlet' && valvesOf({ ...site, runs: [run] }).length)!
    const [valve] = valvesOf({ ...site, runs: [outlet] })
    return build(
      site,
      moveOf('keepMode', { name: 'Away', positions: [{ part: valve!, open: false }] }),
      moveOf('keepMode', { name: 'House', positions: [] }),
    )
  },
  'valve-in-no-mode': site =>
    build(
      site,
      moveOf('keepMode', { name: 'One', positions: [{ part: valvesOf(site)[0]!, open: true }] }),
      moveOf('keepMode', { name: 'Two', positions: [{ part: valvesOf(site)[0]!, open: true }] }),
    ),
  'valve-forgotten': site => {
    const { hill, pump, valve } = pumpedHill(site)
    return build(
      hill,
      setField('part', pump.id, 'switchedBy', 'hand'),
      moveOf('keepMode', { name: 'Fill the hill', positions: [{ part: valve, open: true }] }),
      moveOf('keepMode', { name: 'Rest', positions: [{ part: valve, open: false }] }),
    )
  },
  'ends-do-not-meet': site => {
    const { node, port } = outletOf(site)
    return build(site, setField('port', portId(node, port), 'end', { family: 'flange', size: '2', sex: 'male' }))
  },
  'hole-amiss': site => {
    const { node: tank, port } = outletOf(site)
    const link = [linkOf(site).from, linkOf(site).to].find(end => end.node === tank)!.port
    return build(
      site,
      ...[port, link].map(each => setField('port', portId(tank, each), 'bearingDeg', 90)),
      moveOf('setPort', { tank, port: link, heightM: 0.12 }),
      moveOf('setPort', { tank, port, heightM: 0.1 }),
    )
  },
  'loop-glued-shut': site =>
    withLines(site, ['a', 'b', 'plastic-40'], ['b', 'c', 'plastic-40'], ['c', 'a', 'plastic-40']),
  'part-without-union': site =>
    laidIn(
      without(filledHill(site), ({ kind }) => kind === 'union' || kind === 'flexible'),
      'plastic-40',
    ),
  'glue-does-not-join': site => withLines(site, ['a', 'b', 'plastic-40'], ['b', 'c', 'pe-100']),
  'metal-into-plastic': site => withLines(site, ['a', 'b', 'plastic-40'], ['b', 'c', 'steel-40']),
  'fumes-indoors': site => {
    const glued = withLines(site, ['a', 'b', 'plastic-40'])
    return build(glued, setField('run', 'line-1', 'frostProof', 'indoors'))
  },
  'stage-empties': site =>
    build(
      without(site, ({ kind }) => kind === 'valve'),
      moveOf('addStage', { name: 'Next year' }),
      moveOf('putInStage', { ids: ['tank-2'], stage: 'stage-2' }),
    ),
  'base-too-fresh': site =>
    build(
      site,
      moveOf('standOn', { tank: 'tank-1', base: 'slab' }),
      moveOf('tickTask', { task: 'base:tank-1', on: '2027-04-18' }),
      moveOf('tickTask', { task: 'stand:tank-1', on: '2027-04-20' }),
    ),
  'arrow-against-flow': site => {
    // The draw-off's own line, with a check, laid from the tap to the tank.
    const { node, port } = outletOf(site)
    const run = site.runs.find(({ from }) => from.node === node && from.port === port)!
    const checked = build(site, moveOf('insertPart', { run: run.id, part: { kind: 'check', boreMm: 26.64, k: 2 } }))
    return build(checked, moveOf('turnLine', { run: run.id }))
  },
  'chore-never-done': site => build(site, moveOf('putChore', { chore: 'meshes:tank-1', never: true })),
  'item-without-price': site =>
    build(site, setField('node', 'tank-1', 'shape', { shape: 'upright-cylinder', diameterM: 8, heightM: 2.5 })),
  'bypass-shut-in-frost': site =>
    build({ ...site, climate: standInClimate('cold-upland') }, moveOf('setBypass', { spout: 'spout-1', months: [12] })),
}
