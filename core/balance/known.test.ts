import { describe, expect, it } from 'vitest'
import {
  burstsOf,
  catchYear,
  compile,
  compiledOf,
  daysOf,
  emptyingsOf,
  openLinksOf,
  outlookOf,
  poolsOf,
  roofYearOf,
  simulate,
  soakawaysOf,
  spillWaysOf,
  yearsAhead,
} from '.'
import { catchLimits, momentWith, roofLines, singleTapFlows, weakestSingleTap, wrongWaysOf } from '../network'
import { cutSheets, piecesOf, takeOff } from '../build'
import { moveOf, setField } from '../moves'
import { weatherSeries } from '../climate'
import { inMode, type Site } from '../site'
import { demoSite, type DemoName } from '../../tests/demoSites'
import { onlyWith } from '../../tests/partsRead'
import { blank, build, plainTank, using, withRoof } from '../../tests/sites'

const house = () => using(withRoof(plainTank(blank(), 'A')), 40)
const DEMOS: DemoName[] = ['quillfern-ridge', 'brindle-yard', 'cinder-tor']

const REMEMBERED = {
  burstsOf,
  catchLimits,
  compiledOf,
  cutSheets,
  daysOf,
  emptyingsOf,
  openLinksOf,
  piecesOf,
  poolsOf,
  roofLines,
  roofYearOf,
  soakawaysOf,
  spillWaysOf,
  takeOff,
  weatherSeries,
  wrongWaysOf,
  yearsAhead,
}

describe('what is known of a document', () => {
  it('is worked out once, whoever asks, and anew after a move', () => {
    const site = house()
    expect(yearsAhead(site)).toBe(yearsAhead({ ...site, name: 'Other', options: [] }))
    const wider = build(site, moveOf('resizeTank', { tank: 'tank-1', shape: { lengthM: 3 } }))
    expect(compiledOf(wider).pools[0]!.capL).toBeCloseTo(3 * compiledOf(site).pools[0]!.capL, 6)
    expect(weatherSeries(wider)).toBe(weatherSeries(site))
  })
  it('says what the parts say when they are asked one by one', () => {
    const site = house()
    const [compiled, series] = [compile(site), weatherSeries(site)]
    expect(yearsAhead(site)).toEqual(outlookOf(site, compiled, series, simulate(compiled, series)))
    expect(roofYearOf(site)).toEqual(catchYear(compiled, series))
  })
  it('finds each spill, burst and emptying by the id of what it is of', () => {
    const site = house()
    expect([...spillWaysOf(site).keys()]).toEqual(['tank-1'])
    expect(burstsOf(site).get('tank-1')).toEqual({ ownL: 900, lostL: 900 })
    expect([...emptyingsOf(site).keys()]).toEqual(['tank-1'])
    expect([...soakawaysOf(site).keys()]).toEqual([])
  })
  it('tells where a pool spills to as it is said now', () => {
    const site = house()
    const outfall = site.nodes.find(node => node.kind === 'outfall')!
    const led = build(site, setField('node', outfall.id, 'to', 'soakaway'))
    expect(spillWaysOf(led).get('tank-1')!.outfall).toMatchObject({ id: outfall.id, to: 'soakaway' })
  })
  it('of an empty site is empty, and sound', () => {
    const site = blank()
    expect([poolsOf(site), openLinksOf(site), catchLimits(site)]).toEqual([[], [], []])
    expect(spillWaysOf(site).size + burstsOf(site).size + emptyingsOf(site).size).toBe(0)
  })
  it.each(Object.entries(REMEMBERED))('%s is remembered by all that it reads', (_name, known) => {
    for (const name of DEMOS) expect(() => known(onlyWith(demoSite(name), known.of))).not.toThrow()
  })
})

describe('what was asked of a document before', () => {
  const site = demoSite('brindle-yard')
  const fresh = (changed: Site) => structuredClone(changed)
  /** Asked of a document whose other parts were asked about already, and of the same where nothing is known. */
  const both = <Answer>(changed: Site, ask: (site: Site) => Answer) => [ask(changed), ask(fresh(changed))] as const

  it('is not told of one whose water is colder', () => {
    weakestSingleTap(site, 'full')
    const colder = { ...site, place: { ...site.place, waterTemperatureC: 1 } }
    const flows = (of: Site) => [...singleTapFlows(of, 'full')].map(([id, tap]) => [id, tap.flowLps])
    const [asked, known] = both(colder, flows)
    expect(asked).toEqual(known)
    expect(asked).not.toEqual(flows(site))
  })
  it('is not told of one whose drippers are others', () => {
    const ridge = demoSite('quillfern-ridge')
    const bed = ridge.uses.find(({ amount }) => amount.by === 'bed')!
    const nodes = ridge.nodes.map(node =>
      node.kind === 'tap' && node.id === bed.at ? { ...node, fixture: 'drip' as const, ratedLps: undefined } : node,
    )
    const dripping = (count: number): Site => ({
      ...ridge,
      nodes,
      uses: ridge.uses.map(use =>
        use.id === bed.id && use.amount.by === 'bed'
          ? {
              ...use,
              amount: {
                ...use.amount,
                drip: { emitters: [{ id: 'e', count, litresPerHour: 2 }], minutesPerRun: 30, runsPerWeek: 3, zones: 1 },
              },
            }
          : use,
      ),
    })
    const opened = (of: Site) => momentWith(of, [bed.at], 'full').taps[bed.at]!.flowLps
    const many = opened(dripping(60))
    const [asked, known] = both(dripping(6), opened)
    expect(asked).toBeCloseTo(known, 9)
    expect(asked).toBeLessThan(many)
  })
  it('is not told of a way of running one whose uses are others', () => {
    const ridge = demoSite('quillfern-ridge')
    const [mode] = ridge.modes
    inMode(ridge, mode!)
    const fewer = { ...ridge, uses: ridge.uses.slice(1) }
    expect(inMode(fewer, mode!).uses).toBe(fewer.uses)
  })
})
