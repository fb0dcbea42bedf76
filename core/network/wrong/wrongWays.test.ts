import { describe, expect, it } from 'vitest'
import { siphonsOf } from './siphons'
import { wrongWaysOf, type WrongKind } from './wrongWays'
import { circleArea, pipeFriction } from '../../sums'
import { largeYard } from '../../../tests/largeYard'
import { demoSite } from '../../../tests/demoSites'
import { jointAt, mainAt, outfallAt, pipe, tankAt, tapAt, wellAt, worksOf, type Works } from '../../../tests/waterworks'
import type { NewPart, Tank } from '../../kinds'
import type { Site } from '../../site'
import { timed } from '../../../tests/machine'

const pump: NewPart = { kind: 'pump', pump: 'jet', flowLps: 0.5, headM: 40 }
const check: NewPart = { kind: 'check', boreMm: 25 }
const valve = (id: string, open = true): NewPart => ({ id, kind: 'valve', boreMm: 25, open })
const float: NewPart = { kind: 'float', boreMm: 15 }

/** What must not happen, each built by hand; and the check valve that ends it. */
const CASES: [what: string, kind: WrongKind, works: Works, check: string | undefined][] = [
  [
    'the main pushes back through a tank’s outlet',
    'into-tank-by-outlet',
    {
      nodes: [mainAt('main', 0, 300), tankAt('tank', 1), jointAt('tee', 0), tapAt('tap', 1)],
      runs: [
        ['from-main', 'main', 'tee', [check, pipe(10)]],
        ['from-tank', 'tank', 'tee', [valve('v'), pipe(5)]],
        ['house', 'tee', 'tap', [pipe(8)]],
      ],
    },
    'from-tank',
  ],
  [
    'a pump feeds the street',
    'into-main',
    {
      nodes: [mainAt('main', 0, 250), tankAt('tank', 0), jointAt('tee', 0), tapAt('tap', 1)],
      runs: [
        ['from-main', 'main', 'tee', [pipe(10)]],
        ['from-tank', 'tank', 'tee', [pump, check, pipe(5)]],
        ['house', 'tee', 'tap', [pipe(8)]],
      ],
    },
    undefined,
  ],
  [
    'rain water runs into a main that is off',
    'into-main',
    {
      nodes: [mainAt('main', 0, 400), tankAt('tank', 6), jointAt('tee', 0), tapAt('tap', 1)],
      runs: [
        ['from-main', 'main', 'tee', [pipe(10)]],
        ['from-tank', 'tank', 'tee', [check, pipe(5)]],
        ['house', 'tee', 'tap', [pipe(8)]],
      ],
    },
    undefined,
  ],
  [
    'a pump drives round through its own float valve',
    'round-the-pump',
    {
      nodes: [mainAt('main', 0, 200), tankAt('tank', 0), jointAt('street', 0), jointAt('tee', 0), tapAt('tap', 1)],
      runs: [
        ['from-main', 'main', 'street', [check, pipe(10)]],
        ['fill', 'street', 'tank.in', [pipe(6), float]],
        ['by-pass', 'street', 'tee', [valve('v'), pipe(4)]],
        ['from-tank', 'tank', 'tee', [pump, check, pipe(5)]],
        ['house', 'tee', 'tap', [pipe(8)]],
      ],
    },
    'by-pass',
  ],
  [
    'a tank empties down the well',
    'into-well',
    {
      nodes: [wellAt('well', 12), tankAt('tank', 1)],
      runs: [['rise', 'well', 'tank.half', [pump, pipe(20)]]],
    },
    'rise',
  ],
  [
    'a hill tank drains into the well by the line that fills and feeds',
    'into-well',
    {
      nodes: [wellAt('well', 12), tankAt('hill', 15), jointAt('tee', 0), tapAt('tap', 1)],
      runs: [
        ['rise', 'well', 'tee', [pump, pipe(20)]],
        ['hill-line', 'tee', 'hill.out', [pipe(60)]],
        ['house', 'tee', 'tap', [pipe(8)]],
      ],
    },
    'rise',
  ],
  [
    'a hill tank runs back through the stopped pump into the low one',
    'into-tank-by-outlet',
    {
      nodes: [tankAt('low', 0), tankAt('hill', 15), tapAt('tap', 1)],
      runs: [
        ['rise', 'low', 'hill.half', [valve('v'), pump, pipe(60)]],
        ['house', 'hill', 'tap', [pipe(8)]],
      ],
    },
    'rise',
  ],
]

const withCheck = (site: Site, { runId, before }: { runId: string; before?: string }): Site => ({
  ...site,
  runs: site.runs.map(run => {
    if (run.id !== runId) return run
    const at = before === undefined ? run.parts.length : run.parts.findIndex(({ id }) => id === before)
    const fitted = { id: 'fitted', kind: 'check' as const, boreMm: 25 }
    return { ...run, parts: [...run.parts.slice(0, at), fitted, ...run.parts.slice(at)] }
  }),
})

describe('ways in which water goes wrong', () => {
  it.each(CASES)('%s: it is found, and gone with its mend', (_, kind, works, checked) => {
    const site = worksOf(works)
    const found = wrongWaysOf(site).filter(way => way.kind === kind)
    expect(found).toHaveLength(1)
    const [way] = found
    expect(way!.flowLps).toBeGreaterThan(0.01)
    expect(way!.litresPerDay).toBeGreaterThan(0)
    expect(way!.path.length).toBeGreaterThan(0)
    expect(way!.check?.runId).toBe(checked)
    if (!way!.check) return
    const mended = wrongWaysOf(withCheck(site, way!.check))
    expect(mended.filter(each => each.kind !== 'float-stuck')).toEqual([])
  })
  it('a public main takes a device for it, and then nothing runs back', () => {
    const works = CASES[1]![2]
    const site = worksOf({
      ...works,
      nodes: works.nodes.map(node => (node.kind === 'main' ? { ...node, backflow: 'device' as const } : node)),
    })
    expect(wrongWaysOf(site)).toEqual([])
  })
  it('a device guards the street alone: a pump may still drive round through the float behind it, the main weak', () => {
    const works = (device: boolean): Works => ({
      nodes: [
        mainAt('main', 0, 300, device ? { backflow: 'device' } : {}),
        tankAt('tank', 0),
        jointAt('tee', 0),
        tapAt('tap', 1),
      ],
      runs: [
        ['fill', 'main', 'tank.in', [pipe(6), float]],
        ['by-pass', 'main', 'tee', [valve('v'), pipe(4)]],
        ['from-tank', 'tank', 'tee', [pump, check, pipe(5)]],
        ['house', 'tee', 'tap', [pipe(8)]],
      ],
    })
    expect(wrongWaysOf(worksOf(works(false))).map(({ kind }) => kind)).toContain('into-main')
    const [round, ...others] = wrongWaysOf(worksOf(works(true))).filter(({ kind }) => kind !== 'float-stuck')
    expect(others).toEqual([])
    expect(round!.kind).toBe('round-the-pump')
    expect(round!.path.map(({ runId }) => runId)).toEqual(['from-tank', 'by-pass', 'fill'])
    expect(round!.check?.runId).toBe('by-pass')
    const mended = withCheck(worksOf(works(true)), round!.check!)
    expect(wrongWaysOf(mended).filter(({ kind }) => kind !== 'float-stuck')).toEqual([])
  })
  it('a mode that opens a valve has wrong ways that the plan as it stands has not', () => {
    const [, , works] = CASES[0]!
    const site = worksOf({
      ...works,
      runs: works.runs.map(run =>
        run[0] === 'from-tank' ? [run[0], run[1], run[2], [valve('v', false), pipe(5)]] : run,
      ),
    })
    expect(wrongWaysOf(site)).toEqual([])
    const modes = [{ id: 'house', name: 'Tank to house', positions: [{ part: 'v', open: true }] }]
    expect(wrongWaysOf({ ...site, modes })).toMatchObject([{ kind: 'into-tank-by-outlet', mode: 'house' }])
  })
  it('where all is as it should be none is found but what a stuck float would do; and many tanks take no time', () => {
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const)
      for (const way of wrongWaysOf(demoSite(name))) expect(way.kind).toBe('float-stuck')
    const yard = largeYard(40, 60)
    const { answer, quietMs } = timed(() => wrongWaysOf(yard))
    expect(answer.every(({ kind }) => kind === 'float-stuck')).toBe(true)
    expect(quietMs).toBeLessThan(1500)
  })
})

describe('siphons', () => {
  const roofed = (inlet: object) => {
    const tank = { ...tankAt('tank', 0), inletStyle: 'calmed' } as Tank
    const ports = tank.ports.map(port => (port.name === 'in' ? { ...port, ...inlet } : port))
    return worksOf({
      nodes: [{ ...tank, ports }, { ...CHAMBER, orificeMm: 3 }, jointAt('corner', 2)],
      runs: [
        ['from-roof', 'flush', 'corner', [pipe(4, 100)]],
        ['in', 'corner', 'tank.in', [pipe(2, 100)]],
      ],
    })
  }
  const CHAMBER = {
    id: 'flush',
    name: 'flush',
    kind: 'chamber',
    form: 'drum',
    innerDiameterMm: 400,
    heightM: 1,
    baseM: 0.2,
    groundM: 0,
    emptiedEveryDays: null,
    cleanable: true,
  } as const
  it('an inlet that ends under water runs back out by the chamber’s outlet, until an air hole lets air in', () => {
    const [siphon] = siphonsOf(roofed({}))
    expect(siphon?.path).toEqual([
      { runId: 'in', forward: false },
      { runId: 'from-roof', forward: false },
    ])
    // A hole of 3 mm under the 1.8 m of water up to the rim.
    const flowLps = 1000 * 0.62 * circleArea(0.003) * Math.sqrt(2 * 9.80665 * 1.8)
    expect(siphon?.flowLps).toBeCloseTo(flowLps, 4)
    // In a day the tank is down to the hand's breadth that its outlet leaves.
    expect(siphon?.litresPerDay).toBeCloseTo(1950, 0)
    expect(siphonsOf(roofed({ airHole: true }))).toEqual([])
  })
  it('a skimming overflow goes on with the whole fall of its line, and not with an air hole', () => {
    const skimming = (told: object, ditchM: number) => {
      const tank = tankAt('tank', 0) as Tank
      const ports = tank.ports.map(port => (port.name === 'overflow' ? { ...port, ...told } : port))
      return worksOf({
        nodes: [{ ...tank, ports }, outfallAt('ditch', ditchM)],
        runs: [['over', 'tank.overflow', 'ditch', [pipe(3, 50)]]],
      })
    }
    const [high] = siphonsOf(skimming({ ending: 'skimming' }, 1))
    const [low] = siphonsOf(skimming({ ending: 'skimming' }, -1))
    expect(low!.flowLps).toBeGreaterThan(high!.flowLps)
    const { headLossM, velocityMps } = pipeFriction({ flowLps: low!.flowLps, innerDiameterMm: 50, lengthM: 3 })
    expect(headLossM + (1.5 * velocityMps ** 2) / (2 * 9.80665)).toBeCloseTo(2.8, 3)
    expect(siphonsOf(skimming({ ending: 'skimming', airHole: true }, -1))).toEqual([])
    expect(siphonsOf(skimming({ ending: 'skimming' }, 1.9))).toEqual([])
  })
})
