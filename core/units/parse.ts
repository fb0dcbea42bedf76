import { type Answer, refuse } from '../answers'
import { innerMmOf } from './tradeSizes'
import { SHOWN, SPOKEN, UNITS, type Kind, type System } from './units'

export type Parsed = Answer<{ value: number }>

interface Token {
  number: number
  word: string
}

const VULGAR: Record<string, string> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
}

/**
 * Reads a quantity as people type it: "275 gal", "1 1/2 in", "5 ft 6", "0.8 bar", "2,4 m", "17 900".
 * A bare number is taken in the unit the field shows.
 * @returns the value in the SI unit of the kind, or a sentence saying what was not understood
 */
export function parseQuantity(text: string, kind: Kind, system: System): Parsed {
  const cleaned = tidy(text)
  if (cleaned === '') return refuse(`Type a number, such as ${example(kind, system)}.`)
  const grouping = groupedComma(cleaned, system)
  if (typeof grouping !== 'string') return grouping
  const tokens = tokenize(grouping)
  if (!tokens) return refuse(`“${text.trim()}” is not a quantity I can read. Type it like ${example(kind, system)}.`)
  return add(tokens, kind, system, text.trim())
}

function tidy(text: string): string {
  return (
    text
      .replace(/[¼½¾⅓⅔⅛⅜⅝⅞]/g, sign => ` ${VULGAR[sign]} `)
      .replace(/[\u2212\u2013]/g, '-')
      .replace(/[\u2018\u2019\u2032]/g, "'")
      .replace(/[\u201c\u201d\u2033]|''/g, '"')
      // "1-1/2" is how a trade size is written: one and a half.
      .replace(/(\d)-(?=\d+\/\d)/g, '$1 ')
      .replace(/[\u00a0\u2009\u202f\s]+/g, ' ')
      .trim()
  )
}

/** A comma is a decimal sign or a group sign; where both readings are open we ask instead of guessing. */
function groupedComma(text: string, system: System): string | Parsed {
  if (/,\d{3},\d{3}|,\d{3}\./.test(text)) return text.replace(/,(?=\d{3})/g, '')
  const lone = /(\d+),(\d+)/.exec(text)
  if (!lone) return text
  const [whole, digits] = [lone[1]!, lone[2]!]
  if (digits.length !== 3 || whole === '0' || whole.length > 3) return text.replace(',', '.')
  if (system !== 'metric') return text.replace(',', '')
  return refuse(
    `“${whole},${digits}” could be ${whole}${digits} or ${whole}.${digits}. Write it without the comma, or ` +
      'with a point.',
  )
}

const NUMBER =
  /^([+-]?(?:\d{1,3}(?: \d{3})+(?![\d/])(?:\.\d+)?|\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(?: ?(\d+)\/(\d+)|\/(\d+))?/i

function tokenize(text: string): Token[] | undefined {
  const tokens: Token[] = []
  let rest = text
  while (rest) {
    const found = NUMBER.exec(rest)
    if (!found) return undefined
    const number = numberOf(found)
    if (number === undefined) return undefined
    rest = rest.slice(found[0].length).trimStart()
    // The digits 2 and 3 belong to the word only where they are its exponent, as in "m2" or "m3/h".
    const word = /^(?:[^\d+-]|(?<=[mth])[23](?![\d.]))*/i.exec(rest)?.[0] ?? ''
    rest = rest.slice(word.length)
    tokens.push({ number, word: word.trim().replace(/\.$/, '') })
    if (tokens.length > 2) return undefined
  }
  return tokens
}

/**
 * Whole number, decimal, "3/4", or "1 1/2". The regular expression splits "12/4" so that its last digits are the
 * numerator.
 */
function numberOf(found: RegExpExecArray): number | undefined {
  const [, lead, numerator, denominator, plainDenominator] = found
  const whole = Number(lead!.replace(/ /g, ''))
  if (plainDenominator) return Number(plainDenominator) === 0 ? undefined : whole / Number(plainDenominator)
  if (!denominator) return whole
  if (Number(denominator) === 0) return undefined
  const joined = !found[0].includes(' ')
  if (joined) return Number(`${lead}${numerator}`) / Number(denominator)
  const fraction = Number(numerator) / Number(denominator)
  return lead!.startsWith('-') ? whole - fraction : whole + fraction
}

function add(tokens: Token[], kind: Kind, system: System, typed: string): Parsed {
  let total = 0
  let sign = 1
  for (const [index, token] of tokens.entries()) {
    // "5 ft 6": the six is inches, though nobody says so.
    const word = token.word || (index === 1 ? 'in' : SHOWN[kind][system].unit)
    const unit = unitOf(word, kind, system)
    if (!unit) return refuse(unknownUnit(word, kind, system))
    if (index === 0) sign = Object.is(token.number, -0) || token.number < 0 ? -1 : 1
    if (index === 1 && (!['length', 'bore', 'pipe'].includes(kind) || token.number < 0)) {
      return refuse(`“${typed}” reads as two quantities. Type one, such as ${example(kind, system)}.`)
    }
    const trade = kind === 'pipe' && system !== 'metric' && tokens.length === 1 && unit.words[0] === 'in'
    if (trade && innerMmOf(token.number) !== undefined) return { ok: true, value: innerMmOf(token.number)! }
    total += (index === 1 ? sign : 1) * (token.number + (unit.offset ?? 0)) * unit.factor
  }
  if (!Number.isFinite(total)) return refuse(`“${typed}” is too large to be a quantity here.`)
  return { ok: true, value: clean(total) }
}

function unitOf(word: string, kind: Kind, system: System) {
  const low = word.toLowerCase()
  const spoken = SPOKEN[kind]?.[low]?.[system] ?? word
  const units = UNITS[kind]
  return (
    units.find(unit => unit.words.includes(spoken)) ??
    units.find(unit => unit.words.some(known => known.toLowerCase() === spoken.toLowerCase()))
  )
}

function unknownUnit(word: string, kind: Kind, system: System): string {
  const choices = UNITS[kind]
    .map(unit => unit.words[0])
    .filter(Boolean)
    .join(', ')
  return choices
    ? `“${word}” is not a unit for this. Use one of ${choices}; for example ${example(kind, system)}.`
    : `This is a plain number; leave out “${word}”.`
}

function example(kind: Kind, system: System): string {
  const samples: Partial<Record<Kind, [string, string]>> = {
    length: ['2.4 m', '5 ft 6'],
    bore: ['110 mm', '1 1/2 in'],
    pipe: ['110 mm', '1 1/2 in'],
    area: ['38 m²', '400 sq ft'],
    volume: ['1000 L', '275 gal'],
    flow: ['0.5 L/s', '5 gpm'],
    dailyVolume: ['50 L/day', '12 gal'],
    rain: ['12.5 mm', '1/2 in'],
    pressure: ['0.8 bar', '40 psi'],
    temperature: ['15 °C', '60 °F'],
    share: ['85 %', '85 %'],
    count: ['2', '2'],
  }
  const pair = samples[kind] ?? [`10 ${SHOWN[kind].metric.unit}`, `1 ${SHOWN[kind].us.unit}`]
  return system === 'metric' ? pair[0] : pair[1]
}

/** Drops the last binary dust of a conversion, so that 1 1/2 in is 38.1 mm and not 38.099999999999994. */
function clean(value: number): number {
  return Number(value.toPrecision(14))
}
