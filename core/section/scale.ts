/** A stretch of height that is drawn, between folds. */
export interface HeightBand {
  lowM: number
  highM: number
  topPx: number
  bottomPx: number
}
export interface Fold {
  yPx: number
  metres: number
}
/** A vertical scale as figures alone. */
export interface ScaleBands {
  bands: HeightBand[]
  folds: Fold[]
  pxPerM: number
  heightPx: number
}
export interface VerticalScale extends ScaleBands {
  y: (heightM: number) => number
  metresAt: (yPx: number) => number
}

export const FOLD_PX = 16
const FOLD_LEAST_M = 2.4
const MOST_PX_PER_M = 74
const EDGE_PX = 8

/** The stretches in which something stands, merged; stretches in which nothing does are folded away. */
export function verticalScale(intervals: [number, number][], heightPx: number): VerticalScale {
  const sorted = [...intervals].sort((a, b) => a[0] - b[0])
  const merged: [number, number][] = []
  for (const [low, high] of sorted.length ? sorted : [[-0.5, 3] as [number, number]]) {
    const last = merged.at(-1)
    if (last && low - last[1] < FOLD_LEAST_M) last[1] = Math.max(last[1], high)
    else merged.push([low, high])
  }
  const drawnM = merged.reduce((sum, [low, high]) => sum + high - low, 0)
  const room = heightPx - 2 * EDGE_PX - (merged.length - 1) * FOLD_PX
  const pxPerM = Math.min(MOST_PX_PER_M, room / drawnM)
  // With room to spare everything stands on the foot of the drawing.
  let y = heightPx - EDGE_PX
  const bands: HeightBand[] = []
  const folds: Fold[] = []
  merged.forEach(([lowM, highM], index) => {
    bands.push({ lowM, highM, bottomPx: y, topPx: y - (highM - lowM) * pxPerM })
    y -= (highM - lowM) * pxPerM
    const next = merged[index + 1]
    if (!next) return
    folds.push({ yPx: y - FOLD_PX / 2, metres: next[0] - highM })
    y -= FOLD_PX
  })
  return scaleOf({ bands, folds, pxPerM, heightPx })
}

export const bandsOf = ({ bands, folds, pxPerM, heightPx }: VerticalScale): ScaleBands => ({
  bands,
  folds,
  pxPerM,
  heightPx,
})

export const scaleOf = (figures: ScaleBands): VerticalScale => ({
  ...figures,
  y: heightM => toPx(figures.bands, heightM, figures.pxPerM),
  metresAt: yPx => toMetres(figures.bands, yPx, figures.pxPerM),
})

/** A height within a fold stands in the fold; above or below all bands it goes on at scale. */
function toPx(bands: HeightBand[], heightM: number, pxPerM: number): number {
  for (const [index, band] of bands.entries()) {
    if (heightM > band.highM && index < bands.length - 1) {
      const next = bands[index + 1]!
      if (heightM < next.lowM) return band.topPx - (FOLD_PX * (heightM - band.highM)) / (next.lowM - band.highM)
      continue
    }
    return band.bottomPx - (heightM - band.lowM) * pxPerM
  }
  return 0
}

function toMetres(bands: HeightBand[], yPx: number, pxPerM: number): number {
  for (const [index, band] of bands.entries()) {
    if (yPx < band.topPx && index < bands.length - 1) {
      const next = bands[index + 1]!
      if (yPx > next.bottomPx) return band.highM + ((next.lowM - band.highM) * (band.topPx - yPx)) / FOLD_PX
      continue
    }
    return band.lowM + (band.bottomPx - yPx) / pxPerM
  }
  return 0
}

export interface StaffMark {
  reading: number
  yPx: number
  figure: boolean
}

/**
 * Marks of a levelling staff graduated in a unit of `unitM` metres: whole units with their figure where there is
 * room, fifths without.
 */
export function staffMarks(scale: VerticalScale, unitM = 1): StaffMark[] {
  const pxPerUnit = scale.pxPerM * unitM
  const step = [1, 2, 5, 10].find(candidate => candidate * pxPerUnit >= 15) ?? 20
  return scale.bands.flatMap(band => {
    const marks = []
    const fine = pxPerUnit >= 20 ? 0.2 : 1
    for (let count = Math.ceil(band.lowM / unitM / fine - 1e-6); count * fine <= band.highM / unitM + 1e-6; count++) {
      const reading = Math.round(count * fine * 10) / 10
      marks.push({
        reading,
        yPx: scale.y(reading * unitM),
        figure: Math.abs(reading / step - Math.round(reading / step)) < 1e-6,
      })
    }
    return marks
  })
}
