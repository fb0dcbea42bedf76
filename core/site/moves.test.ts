import { describe, expect, it } from 'vitest'
import { blank, build, plainTank } from '../../tests/sites'
import { CLIMATE_IDS, CLIMATES, FLUSH_SCHOOLS, TANK_KIND_IDS, USE_PRESET_IDS } from '../catalog'
import { chamberDrainTime } from '../sums'
import { applyMove, applyMoves, chamberVolumeL, checkSite, litresPerDay, moveOf, MOVES, newSite, nodeById, portsByRole, rimM, roofAreaM2, runsFrom, runsTo, spillM, spoutAreaM2, standInClimate, tankNominalL, tanksOf, type NodeOf, type Site } from '.'

const roofed = (areaSideM = 8) => build(plainTank(blank(), 'A'), moveOf('setHeight', { node: 'tank-1', baseM: 0.15 }), moveOf('addRoof', { name: 'Barn', lengthM: areaSideM, widthM: 5, material: 'steel', tank: 'tank-1' }))
const refusal = (site: Site, move: ReturnType<typeof moveOf>) => { const result = applyMove(site, move); return result.ok ? 'made' : result.problem }
const chamberOf = (site: Site) => site.nodes.find(node => node.kind === 'chamber') as NodeOf<'chamber'>
const tank = (site: Site, id: string) => nodeById(site, id) as NodeOf<'tank'>

describe('every move', () => {
  it('has a label a person can read in the undo list', () => {
    const site = roofed()
    const samples: Record<string, unknown> = {
      change: { path: ['roofs', 0, 'pieces', 0, 'lengthM'], value: 9 }, setHeight: { node: 'tank-1', baseM: 1 }, remove: { id: 'tank-1' }, setClimate: { climate: standInClimate('wet-town') },
      addTank: { kind: 'drum', how: 'joined', to: 'tank-1' }, linkAtBottom: { a: 'tank-1', b: 'tank-1', boreMm: 50 }, spillInto: { from: 'tank-1', to: 'tank-1' }, fitOverflow: { tank: 'tank-1' },
      setPort: { tank: 'tank-1', port: 'inlet' }, resizeTank: { tank: 'tank-1', shape: {} }, levelRims: { tanks: ['tank-1', 'tank-1'] }, fitLinkValves: { run: 'run-1' }, addRoof: { name: 'Shed', lengthM: 1, widthM: 1, material: 'steel' },
      addRoofPiece: { roof: 'roof-1', lengthM: 1, widthM: 1 }, addSpout: { roof: 'roof-1' }, evenShares: { roof: 'roof-1' }, fitFirstFlush: { spout: 'spout-1' }, takeOutChamber: { chamber: 'x' }, sizeChamber: { chamber: 'x', depthMm: 1 },
      fitChamberOutlet: { chamber: 'x' }, addUse: { preset: 'hens' }, insertPart: { run: 'run-1', at: 0, part: { kind: 'check', boreMm: 20 } }, fitTreatment: { tap: 'x' },
      setOutline: { roof: 'roof-1', outline: [] }, measureRoof: { roof: 'roof-1', by: 'area' }, giveShare: { spout: 'spout-1', roof: 'roof-1' }, fitGutter: { roof: 'roof-1', spout: 'spout-1' }, fitDownpipe: { spout: 'spout-1' },
      dipLine: { spout: 'spout-1', lowM: -0.4 }, fitLowDrain: { joint: 'x' }, joinSpouts: { spout: 'spout-1', into: 'spout-1' }, setBore: { runs: ['run-1'], boreMm: 104 }, fitScreen: { spout: 'spout-1', type: 'inlet' },
      takeOutScreen: { spout: 'spout-1', type: 'inlet' }, setBypass: { spout: 'spout-1' }, formChamber: { chamber: 'x', form: 'drum', innerDiameterMm: 300, heightM: 0.4 },
      keepOption: { id: 'o', name: 'Other', moves: [] }, dropOption: { id: 'o' }, widenTanks: { tanks: ['tank-1'], share: 2 }, mergeTank: { tank: 'tank-1', into: 'tank-1' }, setInlet: { tank: 'tank-1', style: 'calmed' }, widenLink: { run: 'run-1', boreMm: 68 }, reshapeTank: { tank: 'tank-1', shape: 'box' }, setKind: { tank: 'tank-1', kind: 'drum' }, standOn: { tank: 'tank-1', base: 'stand' }, feedByFloat: { from: 'tank-1', to: 'tank-1' }, fitFloat: { run: 'run-1' }, fitSpare: { tank: 'tank-1' },
      turnValve: { run: 'run-1', part: 0, open: false }, keepReserve: { tank: 'tank-1', litres: 500 }, floatDrawOff: { tank: 'tank-1', port: 'outlet', hoseM: 1 }, fitSupplyValve: { tank: 'tank-1' }, raiseDrawOff: { tank: 'tank-1', heightM: 0.1 },
      drawFrom: { use: 'use-1', tank: 'tank-1' }, addSource: { kind: 'well', tank: 'tank-1' }, setTrigger: { source: 'tank-1', startShare: 0.3 }, leadTo: { outfall: 'x' }, fitDrip: { use: 'x' }, ration: { use: 'x', steps: [] },
    }
    for (const [name, kind] of Object.entries(MOVES)) {
      const label = (kind.label as (args: unknown, site: Site) => string)(samples[name], site)
      expect(label, name).toMatch(/^[A-Z]/)
      expect(label, name).not.toMatch(/undefined|\[object|tank-1|roof-1/)
    }
    expect(MOVES.change.label({ path: ['roofs', 0, 'pieces', 0, 'lengthM'], value: 9 }, site)).toBe('Change Barn: length')
  })
  it('leaves a sound document, and several stop at the first that cannot be made', () => {
    const result = applyMoves(blank(), [moveOf('addTank', { kind: 'tote', how: 'alone' }), moveOf('spillInto', { from: 'tank-1', to: 'gone' }), moveOf('addTank', { kind: 'drum', how: 'alone' })])
    expect(result).toEqual({ ok: false, problem: expect.stringContaining('no tank “gone”') })
  })
})

describe('tanks', () => {
  it.each(TANK_KIND_IDS)('a %s stands alone with its fittings in order, an overflow that leads away, and room above it', (kind) => {
    const site = build(blank(), moveOf('addTank', { kind, how: 'alone' }))
    const made = tanksOf(site)[0]!
    const at = (role: 'inlet' | 'overflow' | 'outlet') => portsByRole(made, role)[0]!.heightM
    expect(at('outlet')).toBeGreaterThan(0)
    expect(at('outlet')).toBeLessThan(at('overflow'))
    expect(at('overflow')).toBeLessThan(at('inlet'))
    expect(spillM(site, made)).toBeLessThan(rimM(made))
    expect(runsFrom(site, made.id, 'overflow')[0]!.to.node).toBe('outfall-1')
    expect(tankNominalL(made)).toBeGreaterThan(150)
  })
  it('a second link finds a fitting of its own', () => {
    let site = plainTank(plainTank(plainTank(blank(), 'A'), 'B'), 'C')
    site = build(site, moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }), moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-3', boreMm: 40 }))
    const ends = site.runs.filter(run => run.name.includes('at the bottom')).map(run => run.from.port)
    expect(new Set(ends).size).toBe(2)
  })
  it('resizing keeps the fittings near the rim near the rim, and those near the floor low', () => {
    const site = build(blank(), moveOf('addTank', { kind: 'upright', how: 'alone' }), moveOf('resizeTank', { tank: 'tank-1', shape: { heightM: 3 } }))
    const made = tank(site, 'tank-1')
    expect(portsByRole(made, 'inlet')[0]!.heightM).toBeCloseTo(2.94, 6)
    expect(portsByRole(made, 'overflow')[0]!.heightM).toBeCloseTo(2.8, 6)
    expect(portsByRole(made, 'outlet')[0]!.heightM).toBeCloseTo(0.1, 6)
    const low = tank(build(site, moveOf('resizeTank', { tank: 'tank-1', shape: { heightM: 0.2 } })), 'tank-1')
    for (const port of low.ports) expect(port.heightM).toBeLessThan(0.2)
    expect(refusal(site, moveOf('resizeTank', { tank: 'tank-1', shape: { heightM: -1 } }))).toContain('more than 0')
    expect(refusal(site, moveOf('resizeTank', { tank: 'tank-1', shape: { heightM: 'tall' } }))).toContain('must be a number')
  })
  it('a wider overflow widens its line', () => {
    const site = build(plainTank(blank(), 'A'), moveOf('setPort', { tank: 'tank-1', port: 'overflow', boreMm: 110 }))
    expect(runsFrom(site, 'tank-1', 'overflow')[0]!.parts).toContainEqual(expect.objectContaining({ kind: 'pipe', innerDiameterMm: 110 }))
  })
  it('taking a tank out takes its lines and the outfall it alone used', () => {
    const site = build(roofed(), moveOf('remove', { id: 'tank-1' }))
    expect(site.nodes.map(node => node.kind)).toEqual(['spout'])
    expect(site.runs).toEqual([])
    expect(checkSite(site).ok).toBe(true)
    expect(refusal(site, moveOf('remove', { id: 'tank-1' }))).toContain('no longer')
  })
})

describe('roofs and chambers', () => {
  it('a second spout shares the gutter, and shares that were typed wrong are brought to one', () => {
    let site = build(roofed(), moveOf('addSpout', { roof: 'roof-1' }))
    expect(site.roofs[0]!.spouts.map(spout => spout.share)).toEqual([0.5, 0.5])
    expect(spoutAreaM2(site, 'spout-2')).toBe(20)
    site = build(site, moveOf('change', { path: ['roofs', 0, 'spouts', 0, 'share'], value: 0.25 }), moveOf('evenShares', { roof: 'roof-1' }))
    expect(site.roofs[0]!.spouts.map(spout => spout.share)).toEqual([expect.closeTo(1 / 3, 9), expect.closeTo(2 / 3, 9)])
  })
  it('pieces add up, cuts come off, and a hectare or nothing at all is refused', () => {
    const site = build(roofed(), moveOf('addRoofPiece', { roof: 'roof-1', lengthM: 3, widthM: 2, count: 2 }))
    expect(roofAreaM2(site.roofs[0]!)).toBe(52)
    expect(roofAreaM2(build(site, moveOf('addRoofPiece', { roof: 'roof-1', lengthM: 4, widthM: 1, cut: true, xM: 1, yM: 1 })).roofs[0]!)).toBe(48)
    expect(refusal(site, moveOf('addRoofPiece', { roof: 'roof-1', lengthM: 100, widthM: 100 }))).toContain('a hectare or more')
    expect(refusal(site, moveOf('addRoofPiece', { roof: 'roof-1', lengthM: 52, widthM: 1, cut: true }))).toContain('take away all of Barn')
    expect(refusal(site, moveOf('change', { path: ['roofs', 0, 'runoffCoefficient'], value: 1.2 }))).toBe('Runoff coefficient of “Barn” must be at most 100 %.')
  })
  it.each(Object.values(FLUSH_SCHOOLS))('a $name first flush holds its millimetres, stands clear of the ground, and empties within a day', ({ depthMm }) => {
    for (const side of [3, 8, 20, 60]) {
      const site = build(roofed(side), moveOf('fitFirstFlush', { spout: 'spout-1', depthMm }))
      const chamber = chamberOf(site)
      const area = roofAreaM2(site.roofs[0]!)
      expect(chamberVolumeL(chamber) / area).toBeGreaterThan(depthMm * 0.99)
      expect(chamber.baseM).toBeGreaterThan(0)
      expect(chamber.baseM + chamber.heightM).toBeLessThan(nodeById(site, 'spout-1').baseM)
      const { hours } = chamberDrainTime({ innerDiameterMm: chamber.innerDiameterMm, heightM: chamber.heightM, orificeMm: chamber.orificeMm! })
      expect(hours).toBeGreaterThan(4)
      expect(hours).toBeLessThan(24)
    }
  })
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

describe('uses', () => {
  it('indoors, high taps and low ones: a pump where it is needed, one for all', () => {
    let site = build(roofed(), moveOf('addUse', { preset: 'kitchen', count: 2 }), moveOf('addUse', { preset: 'shower', count: 2 }), moveOf('addUse', { preset: 'trees', count: 10 }))
    const pumps = site.runs.flatMap(run => run.parts).filter(part => part.kind === 'pump')
    expect(pumps).toHaveLength(1)
    expect(runsTo(site, site.uses[1]!.at)[0]!.from.node).toBe(runsTo(site, site.uses[0]!.at)[0]!.from.node)
    expect(runsTo(site, site.uses[2]!.at)[0]!.from.node).toBe('tank-1')
    site = build(site, moveOf('fitTreatment', { tap: site.uses[0]!.at }))
    const parts = runsTo(site, site.uses[0]!.at)[0]!.parts.map(part => part.kind)
    expect(parts.slice(-4)).toEqual(['filter', 'filter', 'filter', 'lamp'])
    expect(runsTo(build(site, moveOf('fitTreatment', { tap: site.uses[0]!.at })), site.uses[0]!.at)[0]!.parts).toHaveLength(parts.length)
  })
  it.each(USE_PRESET_IDS)('%s asks for something in some month and nothing below none', (preset) => {
    const site = build({ ...roofed(), climate: standInClimate('dry-summer-hill') }, moveOf('addUse', { preset }))
    const months = litresPerDay(site, site.uses[0]!)
    expect(months).toHaveLength(12)
    expect(Math.max(...months)).toBeGreaterThan(0)
    expect(Math.min(...months)).toBeGreaterThanOrEqual(0)
  })
  it('a bed asks most when it is hot and dry, in either hemisphere', () => {
    const peak = (climate: 'dry-summer-hill' | 'trade-wind-island') => {
      const site = build({ ...roofed(), climate: standInClimate(climate), place: { ...blank().place, latitudeDeg: CLIMATES[climate].latitudeDeg } }, moveOf('addUse', { preset: 'beds' }))
      const months = litresPerDay(site, site.uses[0]!)
      return months.indexOf(Math.max(...months)) + 1
    }
    expect(peak('dry-summer-hill')).toBe(7)
    expect([8, 9, 10, 11]).toContain(peak('trade-wind-island'))
  })
  it('the last use at a joint takes the joint with it', () => {
    const site = build(roofed(), moveOf('addUse', { preset: 'shower' }))
    const bare = build(site, moveOf('remove', { id: 'use-1' }))
    expect(bare.nodes.some(node => node.kind === 'joint' || node.kind === 'tap')).toBe(false)
    expect(refusal(blank(), moveOf('addUse', { preset: 'shower' }))).toContain('no tank')
    expect(refusal(site, moveOf('insertPart', { run: 'run-1', at: 99, part: { kind: 'check', boreMm: 20 } }))).toContain('has only')
  })
})

describe('a new site', () => {
  const PURPOSES = [[{ preset: 'beds' as const, count: 20 }], [{ preset: 'kitchen' as const, count: 3 }, { preset: 'flush' as const, count: 3 }], [{ preset: 'cattle' as const, count: 4 }], [{ preset: 'basin' as const, count: 3 }, { preset: 'washdown' as const, count: 1 }]]
  it.each(CLIMATE_IDS)('stands in a %s whatever the roof and the use', (climate) => {
    const { latitudeDeg, altitudeM, frostDepthM } = CLIMATES[climate]
    for (const uses of PURPOSES) {
      for (const [lengthM, widthM] of [[3, 2], [9, 7], [40, 18]] as const) {
        for (const units of ['metric', 'us', 'imperial'] as const) {
          const made = newSite({ id: 'n', name: 'N', units, climate: standInClimate(climate), place: { latitudeDeg, altitudeM, frostDepthM }, roof: { name: 'Roof', lengthM, widthM, material: 'clay-tile' }, uses })
          expect(made).toMatchObject({ ok: true, site: { standards: { units, volts: units === 'us' ? 120 : 230 } } })
          if (made.ok) {
            expect(checkSite(made.site).ok).toBe(true)
            expect(tanksOf(made.site)).toHaveLength(2)
            expect(made.site.uses).toHaveLength(uses.length)
          }
        }
      }
    }
  })
})
