import { describe, expect, it } from 'vitest'
import { proofOf, proveMends, provenReview } from './proof'
import { review } from './review'
import { FAULTS } from '../../tests/faultySites'
import { demoSite } from '../../tests/demoSites'
import { sound } from '../../tests/soundSite'
import { build } from '../../tests/sites'
import { applyMove, moveOf } from '../moves'
import { overYears, yearsAhead } from '../balance'
import type { Site } from '../site'

const about = ({ check, subject: { kind, id } }: { check: string; subject: { kind: string; id: string } }) =>
  `${check} ${kind} ${id}`
const wrongOn = (site: Site) =>
  new Set(
    review(site)
      .findings.filter(({ severity }) => severity === 'wrong')
      .map(about),
  )
const DEMOS = (['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const).map(demoSite)

describe('a move that a finding offers', () => {
  it('mends it on every faulty site: it is gone, and nothing wrong has come; most moves are proven so', () => {
    let [pressed, offered] = [0, 0]
    for (const site of [...DEMOS, ...Object.values(FAULTS).map(fault => fault(sound()))]) {
      const { findings, proofs } = provenReview(site)
      pressed += proofs.size
      const before = wrongOn(site)
      for (const finding of findings) {
        if (!finding.mend) continue
        offered++
        const made = applyMove(site, finding.mend.move)
        expect(made).toMatchObject({ ok: true })
        if (!made.ok) continue
        const left = review(made.site).findings
        expect([about(finding), left.map(about).includes(about(finding))]).toEqual([about(finding), false])
        const fresh = left.filter(each => each.severity === 'wrong' && !before.has(about(each)))
        expect([about(finding), fresh.map(about)]).toEqual([about(finding), []])
      }
    }
    console.info(`moves of findings pressed: ${pressed}, proven and offered: ${offered}`)
    expect(offered / pressed).toBeGreaterThan(0.85)
  })
  it('says what it is to the middle year, and is not offered where it moves the shortage on', () => {
    const site = FAULTS['short-too-often']!(sound())
    const { findings } = review(site)
    const short = findings.find(({ check }) => check === 'short-too-often')!
    const proof = proofOf(site, [short], findings)!
    expect(proof.shortDays.now).toBe(overYears(yearsAhead(site), year => year.shortDays).middle)
    expect(proof).toMatchObject({ holds: false, fails: expect.arrayContaining(['stays']) })
    expect(provenReview(site).findings.find(({ id }) => id === short.id)!.mend).toBeUndefined()
  })
  it('may cost water where that buys safety, and tells how much', () => {
    const site = FAULTS['bypass-shut-in-frost']!(sound())
    const { findings, proofs } = provenReview(site)
    const open = findings.find(({ check }) => check === 'bypass-shut-in-frost')!
    expect(open.mend).toBeDefined()
    const { now, then } = proofs.get(open.id)!.shortDays
    expect(then).toBeGreaterThan(now)
  })
  it('is proven for several alike together; where there is no time it is not offered', () => {
    const site = build(
      sound(),
      moveOf('remove', { id: 'outfall-1' }),
      moveOf('standOn', { tank: 'tank-1', base: 'bare-soil' }),
      moveOf('standOn', { tank: 'tank-2', base: 'bare-soil' }),
    )
    const alike = review(site).findings.filter(({ check }) => check === 'bare-soil')
    expect(alike).toHaveLength(2)
    expect(
      proveMends(
        site,
        alike.map(({ id }) => id),
      ),
    ).toMatchObject({ holds: true, fails: [], brings: [] })
    expect(proveMends(site, ['gone'])).toBeUndefined()
    expect(provenReview(site, () => false).findings.some(({ mend }) => mend)).toBe(false)
  })
})
