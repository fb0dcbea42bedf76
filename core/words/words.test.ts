import { describe, expect, it } from 'vitest'
import { boreText, flow, hoursText, length, monthNames, percent, phraseText, quantityText, rain, say, volume } from '.'

describe('months by their names', () => {
  it.each<[number[], string]>([
    [[], 'no month'],
    [[4], 'April'],
    [[4, 5], 'April and May'],
    [[11, 12, 1, 2, 3], 'November to March'],
    [[12, 1], 'December and January'],
    [[4, 10], 'April and October'],
    [[1, 3, 5], 'January, March and May'],
    [[10, 11, 12, 1, 6, 7, 8], 'June to August and October to January'],
    [[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], 'every month'],
    [[7, 7, 6, 8], 'June to August'],
  ])('%j: %s', (months, words) => expect(monthNames(months)).toBe(words))
})

describe('a sentence with quantities', () => {
  const sentence = say`The overflow of ${'East tank'} at ${length(1.8)} is ${boreText(50)} wide:
    it passes ${flow(1.2)} of ${2} spouts.`
  it('is written in the units of whoever reads it', () => {
    expect(phraseText(sentence, 'metric')).toBe(
      'The overflow of East tank at 1.8 m is 50 mm wide: it passes 1.2 L/s of 2 spouts.',
    )
    const us = phraseText(sentence, 'us')
    expect(us).toContain('5 ft 10')
    expect(us).toContain(' in wide: it passes ')
    expect(us).not.toMatch(/\bm\b|\bmm\b|L\/s/)
  })
  it('keeps its quantities exact, and nothing empty between them', () => {
    expect(say`${volume(1000)}${rain(3)}`).toEqual([
      { value: 1000, kind: 'volume' },
      { value: 3, kind: 'rain' },
    ])
    expect(sentence).toContainEqual({ value: 1.8, kind: 'length' })
  })
  it('that is plain words stays as it is', () => {
    expect(phraseText('Nothing to say.', 'imperial')).toBe('Nothing to say.')
  })
  it('says volumes large and small, shares and hours as people do', () => {
    expect(quantityText(volume(17900), 'metric')).toBe('17.9 m³')
    expect(quantityText(volume(740), 'metric')).toBe('740 L')
    expect(quantityText(percent(0.125), 'metric')).toBe('12.5 %')
    expect(quantityText(hoursText(0.5), 'metric')).toMatch(/30 min|0\.5 h/)
  })
})
