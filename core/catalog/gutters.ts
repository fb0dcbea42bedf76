/** Gutters and downpipes as they are commonly sold; measures are inside, in millimetres. */
export const GUTTER_PROFILES = ['half-round', 'box', 'ogee', 'quarter-round'] as const
export type GutterProfile = (typeof GUTTER_PROFILES)[number]
export const GUTTER_WORDS: Record<GutterProfile, string> = {
  'half-round': 'a level half-round',
  box: 'a box laid to a fall',
  ogee: 'an ogee (K-style) laid to a fall',
  'quarter-round': 'a quarter-round laid to a fall',
}

export interface GutterSize {
  profile: GutterProfile
  widthMm: number
  depthMm: number
  slope: number
}

/**
 * The width of the box that has a profile's depth and its section: an ogee's foot is about two thirds as wide as its
 * top, a quarter round is π/4 of the square about it. A box wets more wall for its section, so this errs on the safe
 * side.
 */
export const SECTION_SHARE: Record<GutterProfile, number> = {
  'half-round': Math.PI / 4,
  box: 1,
  ogee: 0.83,
  'quarter-round': Math.PI / 4,
}

/** Smallest first: what a merchant has on the shelf. */
export const GUTTER_SIZES: GutterSize[] = [
  ...[75, 100, 112, 125, 150].map(widthMm => ({
    profile: 'half-round' as const,
    widthMm,
    depthMm: Math.round(widthMm / 2),
    slope: 0,
  })),
  ...[
    [125, 75],
    [150, 100],
    [200, 120],
    [250, 150],
    [300, 200],
  ].map(([widthMm, depthMm]) => ({ profile: 'box' as const, widthMm: widthMm!, depthMm: depthMm!, slope: 0.003 })),
]
export const DOWNPIPE_BORES_MM = [50, 65, 68, 82, 104, 154, 193]
/** Line pipe from the spout to the tank. */
export const LINE_BORES_MM = [50, 68, 82, 104, 154, 193]

/** Rain that an undefended gutter is commonly sized for, where nobody knows the storm. */
export const USUAL_STORM_MM_PER_H = 75
