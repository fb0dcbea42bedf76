import { describe, expect, it } from 'vitest'
import { answerTo, isQuestion, listedQuestions, QUESTION_NAMES, QUESTION_ROWS, type QuestionName } from '.'
import { poolsOf } from '../balance'
import { moveOf } from '../moves'
import { review } from '../review'
import { pumpsOf, tapsOf } from '../network'
import type { Site, SitePart } from '../site'
import { demoSite } from '../../tests/demoSites'
import { FAULTS } from '../../tests/faultySites'
import { sound } from '../../tests/soundSite'
import { onlyWith } from '../../tests/partsRead'
import { blank, build } from '../../tests/sites'

const ON = '2026-12-01'
const DEMOS = (['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const).map(demoSite)

/** What each question is asked of a site in these tests. */
function asks(site: Site): Record<QuestionName, object> {
  const pool = poolsOf(site)[0]?.id ?? 'none'
  const taps = tapsOf(site).map(({ id }) => id)
  const valve = site.runs.flatMap(({ parts }) => parts).find(({ kind }) => kind === 'valve')
  return {
    outline: {},
    years: {},
    review: {},
    proof: {
      findings: review(site)
        .findings.slice(0, 1)
        .map(({ id }) => id)
        .concat('none'),
    },
    sizes: { pool },
    weighings: {},
    stages: {},
    ways: {},
    members: { from: 0, to: 1, years: 3 },
    shut: { part: valve?.id ?? 'none' },
    burst: { pool },
    covers: {},
    coverSizes: { outage: 'power', pool },
    flush: { chamber: site.nodes.find(({ kind }) => kind === 'chamber')?.id ?? 'none' },
    spells: { startDay: 20000, shares: [0.5, 1] },
    moment: { taps, stand: 'full' },
    duty: { pump: pumpsOf(site)[0]?.pump.id ?? 'none', taps, stand: 'low' },
    weakest: { stand: 'full' },
    modes: {},
    served: { mode: site.modes[0] ?? { id: 'mode', name: '', positions: [] } },
    wrongWays: {},
    built: { month: 5, today: ON },
    byLine: {},
    order: { crew: { people: 1, hoursADay: 8 }, month: 4 },
    taskMoved: { task: 'none' },
    substitutes: {},
    stageTales: {},
    card: {},
    loss: { at: site.runs[0]?.id ?? 'none', hours: 1 },
    glance: { on: ON },
    lived: { on: ON },
    today: { on: ON },
    due: { on: ON },
  }
}
const askOf = (name: QuestionName, site: Site, args = asks(site)[name]) => answerTo(name, site, args as never)

/** The same document with one of its parts otherwise, and everything else the very same. */
const OTHERWISE: Partial<Record<SitePart, (site: Site) => Partial<Site>>> = {
  place: ({ place }) => ({ place: { ...place, waterTemperatureC: place.waterTemperatureC + 6, latitudeDeg: 40 } }),
  climate: ({ climate }) => ({
    climate: { ...climate, months: climate.months.map(month => ({ ...month, rainMm: month.rainMm * 0.6 })) },
  }),
  uses: ({ uses }) => ({ uses: uses.slice(1) }),
  roofs: ({ roofs }) => ({ roofs: roofs.map(roof => ({ ...roof, spouts: roof.spouts.slice(0, 1) })) }),
  modes: () => ({ modes: [] }),
  power: () => ({ power: { outage: { by: 'rota', daysOn: 2, daysOff: 3 } } }),
  standards: ({ standards }) => ({ standards: { ...standards, threads: 'parallel', currency: '¤' } }),
  runs: ({ runs }) => ({
    runs: runs.map(run => ({
      ...run,
      parts: run.parts.map(part => (part.kind === 'pipe' ? { ...part, lengthM: part.lengthM * 2 } : part)),
    })),
  }),
}
/** What a document comes to is told in plain figures, whatever it hangs on. */
const plain = (answer: unknown): unknown => JSON.parse(JSON.stringify(answer ?? null))

describe('the questions', () => {
  it.each(QUESTION_NAMES)(
    '%s reads no more of a document than it says, and takes what it says',
    async name => {
      for (const site of DEMOS) {
        const args = asks(site)[name]
        expect(QUESTION_ROWS[name].args.safeParse(args).success).toBe(true)
        expect(QUESTION_ROWS[name].args.safeParse({ ...args, stray: 1 }).success).toBe(false)
        const answer = await askOf(name, onlyWith(structuredClone(site), QUESTION_ROWS[name].of), args)
        expect(plain(answer)).toEqual(plain(await askOf(name, site, args)))
      }
    },
    60_000,
  )

  it('review reads no more than it says where it finds faults, and tries the moves that mend them', async () => {
    for (const [fault, make] of Object.entries(FAULTS)) {
      const site = make(sound())
      await expect(askOf('review', onlyWith(site, QUESTION_ROWS.review.of), {}), fault).resolves.not.toThrow()
    }
  }, 120_000)

  it.each(QUESTION_NAMES)(
    '%s is answered of a document as it stands, whatever was asked before',
    async name => {
      const site = structuredClone(DEMOS[0]!)
      await askOf(name, site)
      for (const [part, change] of Object.entries(OTHERWISE)) {
        const changed = { ...site, ...change(site) }
        const cold = await askOf(name, structuredClone(changed))
        expect(plain(await askOf(name, changed)), part).toEqual(plain(cold))
      }
    },
    120_000,
  )

  it('are answered from memory while nothing that they read has changed', async () => {
    const site = DEMOS[1]!
    const before = await askOf('moment', site)
    expect(await askOf('moment', { ...site, name: 'Other', climate: { ...site.climate } })).toBe(before)
    expect(await askOf('moment', site, { taps: [], stand: 'full' })).not.toBe(before)
    const moved = build(site, moveOf('setHeight', { node: site.nodes[0]!.id, baseM: site.nodes[0]!.baseM + 0.5 }))
    expect(await askOf('moment', moved)).not.toBe(before)
    expect(await askOf('moment', site)).toBe(before)
  })
  it('whose columns are handed over are worked out with new ones each time', async () => {
    const [one, two] = [await askOf('years', DEMOS[0]!), await askOf('years', DEMOS[0]!)] as { rainMm: Float64Array }[]
    expect(one!.rainMm.buffer).not.toBe(two!.rainMm.buffer)
    expect(one).toEqual(two)
  })
  it('that cannot be answered say why, and are asked again', async () => {
    const broken = { ...DEMOS[0]!, nodes: undefined } as unknown as Site
    await expect(askOf('outline', broken, {})).rejects.toThrow()
    await expect(askOf('outline', DEMOS[0]!, {})).resolves.toBeTruthy()
  })
  it('are answered of an empty site', async () => {
    for (const name of QUESTION_NAMES) await expect(askOf(name, blank())).resolves.not.toThrow()
  })
  it('are listed with what they take, and cost more the larger the site', () => {
    const listed = listedQuestions()
    expect(listed.map(({ name }) => name)).toEqual(QUESTION_NAMES)
    expect(listed.find(({ name }) => name === 'sizes')!.args).toMatchObject({ required: ['pool'] })
    for (const { costMs } of Object.values(QUESTION_ROWS)) expect(costMs(100)).toBeGreaterThan(costMs(10))
    expect([isQuestion('review'), isQuestion('toString')]).toEqual([true, false])
  })
})
