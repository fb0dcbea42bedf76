import { describe, expect, it } from 'vitest'
import { acceptMove, mayAccept } from './accepted'
import { review } from './review'
import { FAULTS } from '../../tests/faultySites'
import { set, sound, without } from '../../tests/soundSite'
import { build, put } from '../../tests/sites'
import { moveOf } from '../moves'
import { readSiteText, writeSite, type Site } from '../site'

const foundBy = (site: Site, check: string) => review(site).findings.find(each => each.check === check)

describe('what its owner wants so', () => {
  const site = build(sound(), set(sound(), 'tank-2', 'lightTight', false))
  const found = foundBy(site, 'light-in-sun')!
  const kept = build(site, acceptMove(found, 'It stands in a shed.'))

  it('is told no more, but counted; and again once that is taken back', () => {
    expect(foundBy(kept, 'light-in-sun')).toBeUndefined()
    expect(review(kept).accepted).toMatchObject([{ id: found.id, accepted: { reason: 'It stands in a shed.' } }])
    expect(review(kept).sound.map(({ check }) => check)).not.toContain('light-in-sun')
    const again = build(kept, moveOf('tellAgain', { finding: found.id }))
    expect(foundBy(again, 'light-in-sun')).toMatchObject({ id: found.id })
    expect(again.accepted).toBeUndefined()
  })
  it('is kept in the document', () => {
    const read = readSiteText(writeSite(kept))
    expect(read).toMatchObject({ ok: true, site: { accepted: kept.accepted } })
  })
  it('is told again once a figure of it has changed by more than a fifth', () => {
    const narrow = FAULTS['link-too-slow']!(sound())
    const slow = foundBy(narrow, 'link-too-slow')!
    const link = narrow.runs.find(({ id }) => id === slow.subject.id)!
    const wanted = build(narrow, acceptMove(slow))
    expect(foundBy(wanted, 'link-too-slow')).toBeUndefined()
    const laid = (boreMm: number) => build(wanted, moveOf('widenLink', { run: link.id, boreMm }))
    expect(foundBy(laid(12.3), 'link-too-slow')).toBeUndefined()
    expect(foundBy(laid(16), 'link-too-slow')).toBeDefined()
  })
  it('is one finding alone, though another of its check is about the same thing', () => {
    const rigid = build(FAULTS['rigid-at-pump']!(sound()), site => without(site, ({ kind }) => kind === 'union'))
    const both = review(rigid).findings.filter(({ check }) => check === 'rigid-at-pump')
    expect(both).toHaveLength(2)
    expect(both[0]!.subject).toEqual(both[1]!.subject)
    const left = review(build(rigid, acceptMove(both[0]!))).findings.filter(({ check }) => check === 'rigid-at-pump')
    expect(left.map(({ id }) => id)).toEqual([both[1]!.id])
  })
  it('is never what hurts people, and what is wrong only with a reason', () => {
    const untreated = FAULTS['untreated-drinking']!(sound())
    const germs = foundBy(untreated, 'untreated-drinking')!
    expect(mayAccept([germs])).toBe('no')
    expect(foundBy(build(untreated, acceptMove(germs, 'We like it so.')), 'untreated-drinking')).toBeDefined()
    const ventless = FAULTS['no-overflow']!(sound())
    const spills = foundBy(ventless, 'no-overflow')!
    expect(mayAccept([spills])).toBe('with a reason')
    expect(mayAccept([spills, germs])).toBe('no')
    expect(foundBy(build(ventless, acceptMove(spills)), 'no-overflow')).toBeDefined()
    expect(foundBy(build(ventless, acceptMove(spills, 'It stands in the orchard.')), 'no-overflow')).toBeUndefined()
  })
  it('lets what follows from it be told by itself', () => {
    const empty = build(sound(), put(['roofs', 0, 'spouts'], []))
    const gutter = foundBy(empty, 'roof-without-spout')!
    expect(foundBy(empty, 'never-fills')!.follows).toContain(gutter.id)
    const wanted = build(empty, acceptMove(gutter, 'The roof comes next year.'))
    expect(foundBy(wanted, 'never-fills')!.follows ?? []).not.toContain(gutter.id)
  })
})
