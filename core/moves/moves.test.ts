import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, put, refusal } from '../../tests/sites'
import { moveOf, MOVES, setField } from './registry'
import { standInClimate } from './newSite'
import { applyMoves } from './apply'
import { chamberDrainTime } from '../sums'
import {
  chamberVolumeL,
  readSite,
  nodeById,
  portsByRole,
  rimM,
  roofAreaM2,
  runsFrom,
  spillM,
  spoutAreaM2,
  tankNominalL,
  tanksOf,
  type Site,
} from '../site'
import type { NodeOf } from '../kinds'
import { FLUSH_SCHOOLS, TANK_KIND_IDS } from '../catalog'

const roofed = (areaSideM = 8) =>
  build(
    plainTank(blank(), 'A'),
    moveOf('setHeight', { node: 'tank-1', baseM: 0.15 }),
    moveOf('addRoof', { name: 'Barn', lengthM: areaSideM, widthM: 5, material: 'steel', tank: 'tank-1' }),
  )
const chamberOf = (site: Site) => site.nodes.find(node => node.kind === 'chamber') as NodeOf<'chamber'>
const tank = (site: Site, id: string) => nodeById(site, id) as NodeOf<'tank'>

describe('a device', () => {
  it('that is put up after another was taken out is another, whose lines are its own', () => {
    const add = moveOf('addDevice', { kind: 'rain', address: '/x' })
    const first = build(roofed(), add)
    const { id } = first.devices![0]!
    const told = { id: 'a', at: '2027-04-18', kind: 'rain', value: 3, source: id } as const
    const again = build(first, moveOf('logReadings', { readings: [told] }), moveOf('dropDevice', { device: id }), add)
    expect(again.devices).toHaveLength(1)
    expect(again.devices![0]!.id).not.toBe(id)
    expect(again.log).toEqual([told])
  })
})

describe('every move', () => {
  it('has a label a person can read in the undo list', () => {
    const site = roofed()
    const samples: Record<string, unknown> = {
      set: { of: 'piece', id: 'roof-1-piece-1', field: 'lengthM', value: 9 },
      setHeight: { node: 'tank-1', baseM: 1 },
      remove: { id: 'tank-1' },
      setClimate: { climate: standInClimate('wet-town') },
      turnHemisphere: {},
      addTank: { kind: 'drum', how: 'joined', to: 'tank-1' },
      linkAtBottom: { a: 'tank-1', b: 'tank-1', boreMm: 50 },
      spillInto: { from: 'tank-1', to: 'tank-1' },
      fitOverflow: { tank: 'tank-1' },
      setPort: { tank: 'tank-1', port: 'inlet' },
      resizeTank: { tank: 'tank-1', shape: {} },
      levelRims: { tanks: ['tank-1', 'tank-1'] },
      setLower: { nodes: ['tank-1'], byM: 0.1 },
      fitLinkValves: { run: 'run-1' },
      addRoof: { name: 'Shed', lengthM: 1, widthM: 1, material: 'steel' },
      addRoofPiece: { roof: 'roof-1', lengthM: 1, widthM: 1 },
      addSpout: { roof: 'roof-1' },
      evenShares: { roof: 'roof-1' },
      fitFirstFlush: { spout: 'spout-1' },
      takeOutChamber: { chamber: 'x' },
      sizeChamber: { chamber: 'x', depthMm: 1 },
      fitChamberOutlet: { chamber: 'x' },
      addUse: { preset: 'hens' },
      insertPart: { run: 'run-1', part: { kind: 'check', boreMm: 20 } },
      fitTreatment: { tap: 'x' },
      setOutline: { roof: 'roof-1', outline: [] },
      measureRoof: { roof: 'roof-1', by: 'area' },
      giveShare: { spout: 'spout-1', roof: 'roof-1' },
      fitGutter: { roof: 'roof-1', spout: 'spout-1' },
      fitDownpipe: { spout: 'spout-1' },
      dipLine: { spout: 'spout-1', lowM: -0.4 },
      fitLowDrain: { joint: 'x' },
      joinSpouts: { spout: 'spout-1', into: 'spout-1' },
      setBore: { runs: ['run-1'], boreMm: 104 },
      fitScreen: { spout: 'spout-1', type: 'inlet' },
      hangScreen: { spout: 'spout-1' },
      takeOutScreen: { spout: 'spout-1', type: 'inlet' },
      setBypass: { spout: 'spout-1' },
      formChamber: { chamber: 'x', form: 'drum', innerDiameterMm: 300, heightM: 0.4 },
      notePrice: { of: 'standpipe-104', price: 30 },
      keepOption: { id: 'o', name: 'Other', moves: [] },
      dropOption: { id: 'o' },
      widenTanks: { tanks: ['tank-1'], share: 2 },
      mergeTank: { tank: 'tank-1', into: 'tank-1' },
      setInlet: { tank: 'tank-1', style: 'calmed' },
      widenLink: { run: 'run-1', boreMm: 68 },
      reshapeTank: { tank: 'tank-1', shape: 'box' },
      setKind: { tank: 'tank-1', kind: 'drum' },
      standOn: { tank: 'tank-1', base: 'stand' },
      joinAtHub: { tanks: ['tank-1', 'tank-2'], boreMm: 50 },
      feedByFloat: { from: 'tank-1', to: 'tank-1' },
      fitFloat: { run: 'run-1' },
      fitSpare: { tank: 'tank-1' },
      turnValve: { part: 'run-1-valve-1', open: false },
      keepReserve: { tank: 'tank-1', litres: 500 },
      floatDrawOff: { tank: 'tank-1', port: 'outlet', hoseM: 1 },
      fitSupplyValve: { tank: 'tank-1' },
      raiseDrawOff: { tank: 'tank-1', heightM: 0.1 },
      drawFrom: { use: 'use-1', tank: 'tank-1' },
      addSource: { kind: 'well', tank: 'tank-1' },
      setTrigger: { source: 'tank-1', startShare: 0.3 },
      supplyFrom: { use: 'use-1', source: 'tank-1' },
      topUpFrom: { source: 'tank-1', tank: 'tank-1' },
      leadTo: { outfall: 'x' },
      protectFromFrost: { ids: ['tank-1'], by: 'heated' },
      leadSpout: { spout: 'spout-1', to: 'tank-1' },
      leadOverflow: { tank: 'tank-1' },
      fitSecondOverflow: { tank: 'tank-1' },
      fitSumpPump: { tank: 'tank-1', port: 'overflow', flowLps: 1 },
      fitDrip: { use: 'x' },
      ration: { use: 'x', steps: [] },
      liftBy: { run: 'run-1', by: 'jet', hold: 'pressure-tank' },
      liftUp: { from: 'tank-1', tank: 'tank-1', by: 'jet', line: 'over' },
      branchBy: { run: 'run-1', by: 'tees' },
      leadTap: { tap: 'x', run: 'run-1' },
      addTap: { fixture: 'hose', tank: 'tank-1' },
      backByMain: { run: 'run-1' },
      layPipe: { run: 'run-1', series: 'copper', size: '22' },
      giveCurve: { part: 'x', points: [] },
      shapeRun: { run: 'run-1', places: [] },
      movePart: { part: 'x' },
      replacePart: { part: 'x', with: { kind: 'union', boreMm: 25 } },
      splitRun: { run: 'run-1', by: 'tee' },
      leadEnd: { run: 'run-1', end: 'to', node: 'tank-1', port: 'inlet' },
      ventOrDrain: { run: 'run-1', place: 'x', fit: 'vent' },
      keepMode: { name: 'Winter' },
      setPositions: { mode: 'x', positions: [] },
      renameMode: { mode: 'x', name: 'Summer' },
      dropMode: { mode: 'x' },
      turnToMode: { mode: 'x' },
      noteFound: { line: 'tap:x', value: 0.1 },
      tickBought: { item: 'x' },
      own: { item: 'x', count: 2 },
      scaleUses: { factor: 1.3 },
      logReading: { at: '2027-04-18', kind: 'rain', value: 12 },
      logReadings: { readings: [{ id: 'log-9', at: '2027-04-18', kind: 'rain', value: 12 }] },
      correctReading: { reading: 'log-1', value: 11 },
      dropReading: { reading: 'log-1' },
      restrict: { name: 'Stage 1', from: '2027-06-01', uses: [{ id: 'use-1', share: 0.5 }] },
      changeRestriction: { stage: 'x', until: '2027-09-01' },
      dropRestriction: { stage: 'x' },
      addDevice: { kind: 'level', address: '/api/devices/level/readings', subject: 'tank-1' },
      changeDevice: { device: 'x', everyMinutes: 60 },
      dropDevice: { device: 'x' },
      putChore: { chore: 'gutter:roof-1', until: '2027-05-01' },
      cutPieces: { pipe: 'pipe-drain-110', pieces: ['run-1:1'], usedM: [], leftM: [0.7] },
      cutAgain: { pieces: ['run-1:1'] },
      ownLength: { pipe: 'pipe-drain-110', lengthM: 1.2, count: 2 },
      swapItem: { item: 'elbow-90-drain-110' },
      turnLine: { run: 'run-1' },
      measurePiece: { piece: 'run-1:1', lengthM: 1 },
      tickTask: { task: 'base:x', on: '2027-04-18' },
      orderTasks: { order: [] },
      addStage: { name: 'Next spring' },
      renameStage: { stage: 'x', name: 'Later' },
      dropStage: { stage: 'x' },
      putInStage: { ids: ['x'], stage: 'x' },
      pinReading: { at: 'tank-1' },
      keepReading: { pin: 'pin-1', shows: 1 },
      dropPin: { pin: 'pin-1' },
    }
    for (const [name, kind] of Object.entries(MOVES)) {
      const label = (kind.label as (args: unknown, site: Site) => string)(samples[name], site)
      expect(label, name).toMatch(/^[A-Z]/)
      expect(label, name).not.toMatch(/undefined|\[object|tank-1|roof-1/)
    }
    expect(MOVES.set.label({ of: 'piece', id: 'roof-1-piece-1', field: 'lengthM', value: 9 }, site)).toBe(
      'Change Barn: length',
    )
  })
  it('leaves a sound document, and several stop at the first that cannot be made', () => {
    const result = applyMoves(blank(), [
      moveOf('addTank', { kind: 'tote', how: 'alone' }),
      moveOf('spillInto', { from: 'tank-1', to: 'gone' }),
      moveOf('addTank', { kind: 'drum', how: 'alone' }),
    ])
    expect(result).toMatchObject({ ok: false, problems: [{ sentence: expect.stringContaining('no tank “gone”') }] })
  })
})

describe('tanks', () => {
  it.each(TANK_KIND_IDS)(
    'a %s stands alone with its fittings in order, an overflow that leads away, and room above it',
    kind => {
      const site = build(blank(), moveOf('addTank', { kind, how: 'alone' }))
      const made = tanksOf(site)[0]!
      const at = (role: 'inlet' | 'overflow' | 'outlet') => portsByRole(made, role)[0]!.heightM
      expect(at('outlet')).toBeGreaterThan(0)
      expect(at('outlet')).toBeLessThan(at('overflow'))
      expect(at('overflow')).toBeLessThan(at('inlet'))
      expect(spillM(site, made)).toBeLessThan(rimM(made))
      expect(runsFrom(site, made.id, 'overflow')[0]!.to.node).toBe('outfall-1')
      expect(tankNominalL(made)).toBeGreaterThan(150)
    },
  )
  it('a second link finds a fitting of its own', () => {
    let site = plainTank(plainTank(plainTank(blank(), 'A'), 'B'), 'C')
    site = build(
      site,
      moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }),
      moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-3', boreMm: 40 }),
    )
    const ends = site.runs.filter(run => run.from.port.startsWith('link')).map(run => run.from.port)
    expect(new Set(ends).size).toBe(2)
  })
  it('resizing keeps the fittings near the rim near the rim, and those near the floor low', () => {
    const site = build(
      blank(),
      moveOf('addTank', { kind: 'upright', how: 'alone' }),
      moveOf('resizeTank', { tank: 'tank-1', shape: { heightM: 3 } }),
    )
    const made = tank(site, 'tank-1')
    expect(portsByRole(made, 'inlet')[0]!.heightM).toBeCloseTo(2.94, 6)
    expect(portsByRole(made, 'overflow')[0]!.heightM).toBeCloseTo(2.8, 6)
    expect(portsByRole(made, 'outlet')[0]!.heightM).toBeCloseTo(0.1, 6)
    const low = tank(build(site, moveOf('resizeTank', { tank: 'tank-1', shape: { heightM: 0.2 } })), 'tank-1')
    for (const port of low.ports) expect(port.heightM).toBeLessThan(0.2)
    expect(refusal(site, moveOf('resizeTank', { tank: 'tank-1', shape: { heightM: -1 } }))).toContain('more than 0')
    expect(refusal(site, moveOf('resizeTank', { tank: 'tank-1', shape: { heightM: 'tall' } }))).toContain(
      'must be a number',
    )
  })
  it('a wider overflow widens its line', () => {
    const site = build(plainTank(blank(), 'A'), moveOf('setPort', { tank: 'tank-1', port: 'overflow', boreMm: 110 }))
    expect(runsFrom(site, 'tank-1', 'overflow')[0]!.parts).toContainEqual(
      expect.objectContaining({ kind: 'pipe', innerDiameterMm: 110 }),
    )
  })
  it('taking a tank out takes its lines and the outfall it alone used', () => {
    const site = build(roofed(), moveOf('remove', { id: 'tank-1' }))
    expect(site.nodes.map(node => node.kind)).toEqual(['spout'])
    expect(site.runs).toEqual([])
    expect(readSite(site).ok).toBe(true)
    expect(refusal(site, moveOf('remove', { id: 'tank-1' }))).toContain('no longer')
  })
})

describe('roofs and chambers', () => {
  it('a second spout shares the gutter, and shares that were typed wrong are brought to one', () => {
    let site = build(roofed(), moveOf('addSpout', { roof: 'roof-1' }))
    expect(site.roofs[0]!.spouts.map(spout => spout.share)).toEqual([0.5, 0.5])
    expect(spoutAreaM2(site, 'spout-2')).toBe(20)
    site = build(site, put(['roofs', 0, 'spouts', 0, 'share'], 0.25), moveOf('evenShares', { roof: 'roof-1' }))
    expect(site.roofs[0]!.spouts.map(spout => spout.share)).toEqual([
      expect.closeTo(1 / 3, 9),
      expect.closeTo(2 / 3, 9),
    ])
  })
  it('pieces add up, cuts come off, and a hectare or nothing at all is refused', () => {
    const site = build(roofed(), moveOf('addRoofPiece', { roof: 'roof-1', lengthM: 3, widthM: 2, count: 2 }))
    expect(roofAreaM2(site.roofs[0]!)).toBe(52)
    expect(
      roofAreaM2(
        build(site, moveOf('addRoofPiece', { roof: 'roof-1', lengthM: 4, widthM: 1, cut: true, xM: 1, yM: 1 }))
          .roofs[0]!,
      ),
    ).toBe(48)
    expect(refusal(site, moveOf('addRoofPiece', { roof: 'roof-1', lengthM: 100, widthM: 100 }))).toContain(
      'a hectare or more',
    )
    expect(refusal(site, moveOf('addRoofPiece', { roof: 'roof-1', lengthM: 52, widthM: 1, cut: true }))).toContain(
      'take away all of Barn',
    )
    expect(refusal(site, setField('roof', 'roof-1', 'runoffCoefficient', 1.2))).toBe(
      'Runoff coefficient of “Barn” must be at most 100 %.',
    )
  })
  it.each(Object.values(FLUSH_SCHOOLS))(
    'a $name first flush holds its millimetres, stands clear of the ground, and empties within a day',
    ({ depthMm }) => {
      for (const side of [3, 8, 20, 60]) {
        const site = build(roofed(side), moveOf('fitFirstFlush', { spout: 'spout-1', depthMm }))
        const chamber = chamberOf(site)
        const area = roofAreaM2(site.roofs[0]!)
        expect(chamberVolumeL(chamber) / area).toBeGreaterThan(depthMm * 0.99)
        expect(chamber.baseM).toBeGreaterThan(0)
        expect(chamber.baseM + chamber.heightM).toBeLessThan(nodeById(site, 'spout-1').baseM)
        const { hours } = chamberDrainTime({
          innerDiameterMm: chamber.innerDiameterMm,
          heightM: chamber.heightM,
          orificeMm: chamber.orificeMm!,
        })
        expect(hours).toBeGreaterThan(4)
        expect(hours).toBeLessThan(24)
      }
    },
  )
  it('is sized anew with its top where it was, and only once a roof drains to it', () => {
    const site = build(roofed(), moveOf('fitFirstFlush', { spout: 'spout-1' }))
    const before = chamberOf(site)
    const after = chamberOf(build(site, moveOf('sizeChamber', { chamber: before.id, depthMm: 2 })))
    expect(after.baseM + after.heightM).toBeCloseTo(before.baseM + before.heightM, 3)
    expect(chamberVolumeL(after)).toBeGreaterThan(chamberVolumeL(before) * 2.4)
    expect(refusal(site, moveOf('fitFirstFlush', { spout: 'spout-1' }))).toContain('already')
    const lonely = { ...site, roofs: [] }
    expect(refusal(lonely, moveOf('sizeChamber', { chamber: before.id, depthMm: 2 }))).toContain('No roof drains')
  })
})
