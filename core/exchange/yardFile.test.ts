import { describe, expect, it } from 'vitest'
import { arbitrarySite, blank, setUp } from '../../tests/sites'
import { readSites, writeYard } from './yardFile'
import { writeSite } from '../site'
import fc from 'fast-check'

describe('a file of the whole Yard', () => {
  it('gives back every site as it was', () => {
    fc.assert(
      fc.property(fc.array(arbitrarySite, { maxLength: 4 }), sites => {
        const read = readSites(writeYard(sites))
        expect(read.sites).toEqual(sites.map(site => JSON.parse(writeSite(site)) as unknown))
        expect(read.problems).toHaveLength(sites.length ? 0 : 1)
      }),
      { numRuns: 25 },
    )
  })
  it('tells which site does not read, and opens the others', () => {
    const good = setUp('wet-town', [])
    const file = JSON.stringify({ format: 'tall-cask/yard', version: 1, sites: [good, { ...good, version: 99 }, 7] })
    const read = readSites(file)
    expect(read.sites).toEqual([good])
    expect(read.problems).toMatchObject([
      expect.stringMatching(/^Site 2 of it was not read\. .*newer/),
      expect.stringMatching(/^Site 3 of it was not read\. /),
    ])
  })
  it('is told from a file of one site, from what is no JSON, and from what is bottomless', () => {
    expect(readSites(writeSite(blank())).sites).toEqual([blank()])
    expect(readSites('').problems).toEqual(['This file is empty.'])
    expect(readSites('water').problems[0]).toContain('not JSON')
    const deep = `${'['.repeat(5000)}${']'.repeat(5000)}`
    expect(readSites(deep).problems).toEqual(['This is not a site file: its brackets stand more than 100 deep.'])
    const quoted = JSON.stringify({ ...blank(), note: '['.repeat(500) })
    expect(readSites(quoted).sites).toHaveLength(1)
  })
})
