import { describe, expect, it } from 'vitest'
import { readLog, readSites, writeWithPhotos, type FilePhoto } from '.'
import { demoSite } from '../../tests/demoSites'

const site = { ...demoSite('brindle-yard'), log: [{ id: 'log-a', at: '2027-04-18', kind: 'photo' as const }] }
const photo: FilePhoto = {
  id: 'p1',
  subject: 'log-a',
  takenAt: 1_800_000_000_000,
  type: 'image/jpeg',
  data: btoa('a picture'),
}

describe('a site’s file with its photos', () => {
  const text = writeWithPhotos(site, [photo])
  it('is read back: the site as it was, and the photos apart', () => {
    const { sites, photos, problems } = readSites(text)
    expect(problems).toEqual([])
    expect(sites).toEqual([site])
    expect(photos).toEqual([[photo]])
  })
  it('gives its log to another machine with the photos of it', () => {
    expect(readLog(text, site)).toMatchObject({ readings: site.log, photos: [photo], problems: [] })
  })
  it('without any is the site’s file', () => {
    expect(readSites(writeWithPhotos(site, []))).toMatchObject({ sites: [site], photos: [[]] })
  })
  it('of which one is no photo keeps the others, and tells it', () => {
    const odd = [photo, { ...photo, id: 'p2', type: 'text/html' }, { ...photo, id: 'p3', data: '<script>' }]
    const { sites, photos, problems } = readSites(writeWithPhotos(site, odd as FilePhoto[]))
    expect([sites.length, photos[0]!.length]).toEqual([1, 1])
    expect(problems.join()).toMatch(/2 photos .* could not be read/)
  })
})
