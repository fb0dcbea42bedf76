import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { openSync } from 'fontkit'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { IN_TEXT, settable, stretchesOf } from './signs'

const FACES = [
  '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff',
  '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff',
  '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-italic.woff',
  '@fontsource/bitter/files/bitter-latin-700-normal.woff',
]
const face = (file: string) => openSync(join('node_modules', file))
const signs = face('dejavu-fonts-ttf/ttf/DejaVuSans.ttf')

/** Every letter that stands in our own sources: whatever may come onto paper. */
function lettersIn(folder: string, found = new Set<string>()): Set<string> {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) lettersIn(path, found)
    else if (/\.(ts|vue)$/.test(name)) for (const letter of readFileSync(path, 'utf8')) found.add(letter)
  }
  return found
}

describe('the faces of what is printed', () => {
  it('have every letter that is set in them, and one has every other that our own sources hold', () => {
    const letters = [...lettersIn('app'), ...lettersIn('core')].filter(letter => letter >= ' ')
    expect(letters).toContain('π')
    for (const letter of new Set(letters)) {
      const code = letter.codePointAt(0)!
      if (IN_TEXT.test(letter))
        for (const file of FACES) expect(face(file).hasGlyphForCodePoint(code), `${letter} in ${file}`).toBe(true)
      else if (!/\p{M}/u.test(letter)) expect(signs.hasGlyphForCodePoint(code), letter).toBe(true)
    }
  })
  it('have all that they are said to have', () => {
    const faces = FACES.map(face)
    for (let code = 32; code < 0x2300; code++)
      if (IN_TEXT.test(String.fromCodePoint(code)))
        for (const each of faces) expect(each.hasGlyphForCodePoint(code), code.toString(16)).toBe(true)
  })
})

describe('a text', () => {
  it('is parted where its face changes, and is whole again when it is put together', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom('a', '1', 'π', '☐', 'Ł', ' ', 'ö') }), text => {
        const stretches = stretchesOf(text)
        expect(stretches.map(({ text: of }) => of).join('')).toBe(text)
        for (const [at, { signs: is }] of stretches.entries()) if (at) expect(is).not.toBe(stretches[at - 1]!.signs)
      }),
    )
  })
  it('keeps all else of its content', () => {
    const content = settable([
      { text: 'A = π d²', bold: true },
      'plain',
      { table: { widths: ['*'], body: [['☐', { text: 'x' }]] }, layout: 'noBorders' },
    ])
    expect(content).toEqual([
      { text: [{ text: 'A = ' }, { text: 'π', font: 'Signs', bold: false }, { text: ' d²' }], bold: true },
      'plain',
      {
        table: { widths: ['*'], body: [[{ text: [{ text: '☐', font: 'Signs', bold: false }] }, { text: 'x' }]] },
        layout: 'noBorders',
      },
    ])
  })
})
