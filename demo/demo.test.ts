import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { outlook } from '../core/balance'
import { dailySeries, readRecord } from '../core/climate'
import { review } from '../core/review'
import { readSiteText, writeSite } from '../core/site'

const text = (name: string) => readFileSync(`demo/${name}`, 'utf8')

describe('the demo sites', () => {
  it.each([['quillfern-ridge', ['gutter-too-small', 'overflow-too-small', 'spill-over-door', 'no-first-flush'], 60], ['brindle-yard', ['stand-for-engineer', 'spills-more-than-keeps'], 120], ['cinder-tor', [], 0]] as const)('%s reads, is written back unchanged, and is a believable plan', (name, findings, mostShort) => {
    const read = readSiteText(text(`${name}.json`))
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(writeSite(read.site)).toBe(text(`${name}.json`))
    expect(review(read.site).findings.map(finding => finding.check)).toEqual(findings)
    const { years, worst } = outlook(read.site, dailySeries(read.site))
    expect(years).toHaveLength(30)
    expect(years[worst]!.shortDays).toBeLessThanOrEqual(mostShort)
    for (const year of years) expect(year.caughtL).toBeGreaterThan(year.flushedL)
  })

  it('the sample record has every trap and still reads', () => {
    expect(readRecord(text('ridge-rain.csv'))).toMatchObject({ ok: true, days: 4383, missingDays: 5, flagged: 3, trace: 1, duplicates: 1, order: 'dmy', delimiter: ';', unit: 'mm' })
  })
})
