// Prints the figures the product holds itself to, as ratios within this one run.
import { readdirSync, readFileSync } from 'node:fs'
import { serialize } from 'node:v8'
import { gzipSync } from 'node:zlib'
import { forecastOf, keepOf } from '../core/keep'
import { madeLog } from '../tests/madeLogs'
import { largeYard } from '../tests/largeYard'
import { jointAt, mainAt, pipe, tapAt, worksOf, type Works } from '../tests/waterworks'
import { readSiteText, type Site } from '../core/site'
import { drawSection, labelsOf, readableWidthPx } from '../core/section'
import { proveMends, review } from '../core/review'
import { weighOption } from '../core/options'
import { applyMove, moveOf, waysFor } from '../core/moves'
import { built, chains, cutList, toBuy, WEIGHINGS } from '../core/build'
import { momentWith, steady, tapsOf } from '../core/network'
import { dailySeries, dayNumber, fitRain, readRecord, isoDate } from '../core/climate'
import { plantOf, play, scriptOf } from '../core/plant'
import { compile, flushTrade, outlook, roofYearOf, runMembers, simulate, sizeCurve } from '../core/balance'

const read = readSiteText(readFileSync('demo/quillfern-ridge.json', 'utf8'))
if (!read.ok) throw new Error('the demo does not read')
const { site } = read

/** The site with its first roof wetting otherwise, so that nothing remembered serves. */
const withWetting = (wettingLossMm: number) => ({
  ...site,
  roofs: site.roofs.map((roof, index) => (index ? roof : { ...roof, wettingLossMm })),
})

/** Median of the times of a few runs, ms. */
function time(act: () => void, runs = 15): number {
  for (let warm = 0; warm < 10; warm++) act()
  return Array.from({ length: runs }, () => {
    const start = performance.now()
    act()
    return performance.now() - start
  }).sort((a, b) => a - b)[runs >> 1]!
}

/** The barest loop that still is a tank: fill, spill, draw, and write the level down. */
function bareTank(rainMm: Float64Array): Float64Array {
  const level = new Float64Array(rainMm.length)
  let held = 5000
  for (let day = 0; day < rainMm.length; day++) {
    held += Math.max(0, rainMm[day]! - 0.5) * 90
    if (held > 18000) held = 18000
    held -= Math.min(held, 260)
    level[day] = held
  }
  return level
}

const series = dailySeries(site)
const compiled = compile(site)
const days = series.rainMm.length
const bare = time(() => bareTank(series.rainMm), 101) / days
const start = compiled.pools.map(pool => pool.capL / 2)
const full = time(() => simulate(compiled, series, { startL: start }), 101)
const perTankDay = full / days / site.nodes.filter(node => node.kind === 'tank').length

const line = (name: string, value: string) => console.log(`${name.padEnd(66)} ${value}`)
line('daily balance of the full demo, per tank-day, against a bare loop', `${(perTankDay / bare).toFixed(1)} ×`)
line('daily balance of the full demo, 30 years', `${full.toFixed(2)} ms`)
const series60 = dailySeries(site, { years: 60 })
line('twice the years cost', `${(time(() => simulate(compiled, series60, { startL: start })) / full).toFixed(2)} ×`)
const more = [0, 1, 2].reduce(current => {
  const made = applyMove(current, moveOf('addTank', { kind: 'tote', how: 'alone' }))
  return made.ok ? made.site : current
}, site)
const compiledMore = compile(more)
line(
  'twice the tanks cost',
  `${(time(() => simulate(compiledMore, series, { startL: compiledMore.pools.map(pool => pool.capL / 2) })) / full).toFixed(2)} ` +
    '×',
)
line(
  'the whole outlook, compiled anew, with twelve months of autonomy',
  `${time(() => outlook(site, series)).toFixed(2)} ms`,
)
line('making 30 years of rain', `${time(() => dailySeries(site)).toFixed(2)} ms`)
line(
  'the roofs, gutters and chambers of 30 years',
  `${time(() => roofYearOf(withWetting(Math.random()))).toFixed(2)} ` + 'ms',
)
line(
  'a first flush against its alternatives, 30 years',
  `${time(() => flushTrade(site, compile(site), 'chamber-1', series)).toFixed(2)} ms`,
)
line('days short against 40 sizes of one pool, 30 years', `${time(() => sizeCurve(compiled, 0, series)).toFixed(1)} ms`)

const members = (count: number, years = 30, of = site, shape = compiled) =>
  runMembers(of, shape, series, 0, count, years)
const MANY = 40
const ensemble = time(() => members(MANY), 7)
line('one made-up member of 30 years, rain and balance', `${(ensemble / MANY).toFixed(2)} ms`)
line('1000 such members, shared by two workers', `${(((ensemble / MANY) * 1000) / 2 / 1000).toFixed(2)} s`)
line('twice the members cost', `${(time(() => members(2 * MANY), 5) / ensemble).toFixed(2)} ×`)
line('members of twice the years cost', `${(time(() => members(MANY, 60), 5) / ensemble).toFixed(2)} ×`)
line(
  'members of a site of twice the tanks cost',
  `${(time(() => members(MANY, 30, more, compiledMore), 5) / ensemble).toFixed(2)} ×`,
)
const sizeOf = (count: number) => serialize(members(count)).byteLength
line('what 80 members leave behind, against 20', `${(sizeOf(80) / sizeOf(20)).toFixed(2)} ×`)
line(
  'one other way of doing it, weighed',
  `${time(() => weighOption(site, waysFor(site)[0]!.moves, series), 7).toFixed(1)} ms`,
)
line(
  'one move, checked',
  `${time(() => applyMove(site, moveOf('setHeight', { node: 'tank-1', baseM: 0.2 }))).toFixed(2)} ms`,
)
line('the review of a document just changed', `${time(() => review({ ...site })).toFixed(2)} ms`)
let wettingMm = 0.3
const changed = () => withWetting((wettingMm += 0.001))
const [mendable] = review(site).findings.filter(({ mend }) => mend)
const reviewMs = time(() => review(changed()), 7)
line(
  'a mend proven, against a review of a document that is new',
  `${(time(() => proveMends(changed(), [mendable!.id]), 7) / reviewMs).toFixed(2)} ×`,
)
line('the Section laid out', `${time(() => drawSection(site, 904, 318)).toFixed(2)} ms`)
const century = [
  'date,rain_mm',
  ...Array.from({ length: 36525 }, (_, day) => `${isoDate(-25567 + day)},${((day * 7) % 23) / 2}`),
].join('\n')
line('reading a record of 100 years', `${time(() => readRecord(century), 5).toFixed(0)} ms`)

const measured = Float64Array.from({ length: 36525 }, (_, day) => ((day * 7) % 23) / 2)
line('fitting the rain maker to 100 years', `${time(() => fitRain(dayNumber('1900-01-01'), measured)).toFixed(1)} ms`)

const tapsOpen = (of: Site) => ({
  open: Object.fromEntries(of.nodes.flatMap(node => (node.kind === 'tap' ? [[node.id, 1]] : []))),
})
line(
  'flows and pressures of a moment, every tap open',
  `${time(() => steady(site, tapsOpen(site)), 2000).toFixed(3)} ms`,
)
/** A street of so many runs: houses along a pipe, a tap in each. */
function street(runs: number): Site {
  const houses = Math.floor(runs / 2)
  const nodes = [mainAt('main', 0, 500), ...Array.from({ length: houses }, (_, at) => jointAt(`j${at}`, 0))]
  const taps = Array.from({ length: houses }, (_, at) => tapAt(`t${at}`, at % 4))
  const lines = taps.flatMap((_, at): Works['runs'] => [
    [`a${at}`, at ? `j${at - 1}` : 'main', `j${at}`, [pipe(10, 100)]],
    [`b${at}`, `j${at}`, `t${at}`, [pipe(8, 16)]],
  ])
  return worksOf({ nodes: [...nodes, ...taps], runs: lines })
}
const STREETS = [50, 150, 500].map(runs => ({ runs, site: street(runs) }))
const moments = STREETS.map(each => time(() => steady(each.site, tapsOpen(each.site)), 20))
line(
  'a moment of 50, 150, 500 runs, every tap open',
  `${moments.map(ms => ms.toFixed(2)).join(', ')} ms; as their power ${Math.log10(moments[2]! / moments[0]!).toFixed(2)}`,
)

const day = scriptOf(site, 'usual-day')
const played = (of: Site) => () => play(of, { seconds: 86400, start: day.start, script: day.steps, everyS: 3600 })
line('a usual day of the full demo, played', `${time(played(site), 3).toFixed(0)} ms`)
const storm = () => {
  const plant = plantOf(STREETS[0]!.site)
  for (const { id } of STREETS[0]!.site.nodes.filter(({ kind }) => kind === 'tap')) plant.act({ tap: id, to: 1 })
  return time(() => {
    plant.advance(plant.atS + 1)
    plant.view()
  }, 60)
}
line('a frame of a plant of 50 runs, all taps open, a second on', `${storm().toFixed(2)} ms`)

const made = () => toBuy({ ...site })
line('everything the full demo is made of', `${time(made, 20).toFixed(1)} ms`)
const [tote, pe] = [
  { family: 'buttress-6', size: '60', sex: 'male' },
  { family: 'compression', size: '32', sex: 'male' },
] as const
line('a chain of adapters, and the next two', `${time(() => chains(tote, pe, WEIGHINGS.cheapest), 200).toFixed(2)} ms`)
const lengths = Array.from({ length: 200 }, (_, at) => 0.2 + ((at * 7919) % 2300) / 1000)
line('two hundred pieces on lengths of 3 and 6 m', `${time(() => cutList(lengths, [3, 6], 3), 3).toFixed(0)} ms`)

const fiveYears = madeLog(site, 9, 5 * 365, 1, { coefficient: 0.9, use: 1.1 })
const learned = keepOf(site, fiveYears.log, fiveYears.on)
line('five years of daily levels learned', `${time(() => keepOf(site, fiveYears.log, fiveYears.on), 3).toFixed(0)} ms`)
line('and one level more', `${time(() => keepOf(site, fiveYears.log, fiveYears.on, learned.learned), 3).toFixed(0)} ms`)
line('the year to come over 120 made-up weathers', `${time(() => forecastOf(site, learned), 3).toFixed(0)} ms`)

// What each costs at one tank and at more, and by what power of the tanks it grows: one is in proportion.
const YARDS = [1, 10, 40, 100].map(tanks => ({ tanks, site: largeYard(tanks, Math.round(tanks * 1.5)) }))
const anew = (of: Site): Site => ({ ...of, nodes: [...of.nodes] })
const COSTS: [string, (of: Site) => unknown][] = [
  ['a move', of => applyMove(of, moveOf('setHeight', { node: 'tank-1', baseM: 0.2 }))],
  ['what stands and how it is joined', of => compile(anew(of))],
  ['the Section', of => drawSection(anew(of), 904, 318)],
  ['its words', of => labelsOf(of, drawSection(of, readableWidthPx(of, 318), 318))],
  ['the outlook', of => outlook(anew(of), series)],
  ['the outlook and the review', of => review(anew(of))],
  ['what there is to buy, to cut and to do', of => built(anew(of), 6, '2026-06-01')],
  [
    'what flows with all taps open',
    of =>
      momentWith(
        anew(of),
        tapsOf(of).map(({ id }) => id),
        'low',
      ),
  ],
]
for (const [name, act] of COSTS) {
  const times = YARDS.map(yard => time(() => act(yard.site), 3))
  const [ten, hundred] = [times[1]!, times[3]!]
  line(
    `${name} at ${YARDS.map(({ tanks }) => tanks).join(', ')} tanks`,
    `${times.map(ms => ms.toFixed(1)).join(', ')} ms; from ten to a hundred as their power ${Math.log10(hundred / ten).toFixed(2)}`,
  )
}

try {
  const html = readFileSync('.output/server/chunks/build/client.precomputed.mjs', 'utf8')
  const entry = new Set([...html.matchAll(/"([\w-]+\.js)"/g)].map(match => match[1]!))
  const folder = '.output/public/_nuxt'
  const sizes = readdirSync(folder)
    .filter(name => name.endsWith('.js'))
    .map(name => ({ name, bytes: gzipSync(readFileSync(`${folder}/${name}`)).length, used: entry.has(name) }))
  line('all script of the app, gzipped', `${(sizes.reduce((sum, file) => sum + file.bytes, 0) / 1024).toFixed(0)} kB`)
} catch {
  line('size of the script', 'not built')
}
