/** Rules that every sentence holds to, whatever it is about and whoever reads it. */

export const SYSTEMS = ['metric', 'us', 'imperial'] as const
export type SpokenSystem = (typeof SYSTEMS)[number]

/** Figures and words of units that a system does not speak. */
const INCH_SYSTEM = /\d\s?(US gal|imp gal|gal|ft|in(?! a row)|psi|lb|°F|US gpm|imp gpm)\b/
const LITRES = /[\d.]\s?(mm|cm|m|m²|m³|L|L\/s|L\/day|kPa|kg|mm\/h)(?![\w/²³])|\b(milli|centi)?metres?\b|\blitres?\b/
export const FOREIGN: Record<SpokenSystem, RegExp> = {
  metric: INCH_SYSTEM,
  us: new RegExp(`${LITRES.source}|\\d\\s?°C`),
  imperial: LITRES,
}

/** What is never said, in a sentence or on a screen. */
export const NEVER = [
  /NaN|undefined|Infinity|\[object|\bnull\b/,
  /\b1 (days|tanks|lines|years|outages|hours|spouts|uses|checks)\b/,
  /\b0(\.0+)? (L|m³|US gal|imp gal|days?|mm|in|m|ft|%) of\b/,
  /\b0 (US gal|imp gal|L) (can|stand|are|is)\b/,
]
/** What no sentence has in it; a screen's text is put together of many, and may. */
export const NO_SENTENCE = /\s[,.;:]|\s\s|,,|\.\.(?!\.)/
