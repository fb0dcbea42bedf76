import fc from 'fast-check'
import papaparse from 'papaparse'
import { describe, expect, it } from 'vitest'
import { logTable, readLogTable } from '.'
import { cellText, writeTable } from './table'
import { demoSite } from '../../tests/demoSites'

const rowsOf = (table: string) => papaparse.parse<Record<string, string>>(table, { header: true }).data
const dangerous = fc
  .tuple(fc.constantFrom('=', '+', '-', '@', '\t', '\r', "'=", "''+", "'", ''), fc.string())
  .map(parts => parts.join(''))

describe('a table', () => {
  it('holds no text that a spreadsheet would work out, and gives each back as it was', () => {
    fc.assert(
      fc.property(dangerous, text => {
        const [row] = rowsOf(writeTable([{ id: 'a', text }]))
        expect(row!.text).not.toMatch(/^[=+\-@\t\r]/)
        // White space around a text is no part of it; within the apostrophe it is.
        fc.pre(text === text.trim() || (/^'*[\t\r]/.test(text) && text === text.trimEnd()))
        expect(cellText(row!.text)).toBe(text)
      }),
    )
  })
  it('holds figures below nothing as figures', () => {
    expect(writeTable([{ id: 'a', value: -3 }])).toContain('a,-3')
  })
  it('of a log with such texts is read back as it was', () => {
    const site = demoSite('brindle-yard')
    const notes = ['=HYPERLINK("x")', '+1 bucket', '-', '@home', "'=3", "it's green", '\tafter a tab']
    const log = notes.map((note, at) => ({ id: `n${at}`, at: '2027-04-18', kind: 'note' as const, note }))
    const table = logTable({ ...site, log })
    for (const row of rowsOf(table)) expect(Object.values(row).filter(cell => /^[=+\-@\t\r]/.test(cell))).toEqual([])
    expect(readLogTable(table, site)).toEqual({ readings: log, problems: [] })
  })
})
