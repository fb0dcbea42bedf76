/**
 * Stand-in climates: made up, plausible, named by type. Twelve months from the person's own weather service beat
 * them.
 */
export interface StandInClimate {
  name: string
  /** Standard deviation of the year's rain, as a share of its mean. */
  annualSpreadShare: number
  latitudeDeg: number
  altitudeM: number
  /** The five-minute burst that comes back once in five years, and the power by which rarer ones are harder. */
  stormMmPerH: number
  stormGrowth: number
  rainMm: number[]
  wetDays: number[]
  tMinC: number[]
  tMaxC: number[]
}

export const CLIMATES = {
  'dry-summer-hill': {
    name: 'dry-summer hill',
    annualSpreadShare: 0.23,
    latitudeDeg: 39,
    altitudeM: 420,
    stormMmPerH: 75,
    stormGrowth: 0.24,
    rainMm: [104, 92, 78, 58, 38, 14, 5, 8, 34, 74, 108, 118],
    wetDays: [12, 11, 10, 8, 6, 2.5, 1, 1.5, 4, 8, 11, 13],
    tMinC: [3, 3, 5, 7, 10, 14, 17, 17, 14, 11, 7, 4],
    tMaxC: [11, 12, 15, 18, 23, 28, 32, 32, 27, 21, 15, 12],
  },
  'wet-town': {
    name: 'wet temperate town',
    annualSpreadShare: 0.12,
    latitudeDeg: 52,
    altitudeM: 60,
    stormMmPerH: 60,
    stormGrowth: 0.2,
    rainMm: [88, 66, 70, 58, 62, 68, 70, 78, 76, 92, 96, 98],
    wetDays: [15, 12, 13, 11, 11, 11, 11, 12, 12, 14, 15, 16],
    tMinC: [2, 2, 3, 5, 8, 11, 13, 13, 11, 8, 5, 3],
    tMaxC: [7, 8, 10, 13, 17, 20, 22, 22, 19, 14, 10, 8],
  },
  'cold-upland': {
    name: 'cold upland',
    annualSpreadShare: 0.12,
    latitudeDeg: 56,
    altitudeM: 560,
    stormMmPerH: 50,
    stormGrowth: 0.18,
    rainMm: [118, 92, 88, 66, 70, 74, 82, 96, 104, 122, 118, 124],
    wetDays: [17, 14, 15, 12, 12, 12, 13, 14, 14, 17, 17, 18],
    tMinC: [-6, -6, -4, -1, 3, 6, 8, 8, 5, 2, -2, -5],
    tMaxC: [1, 2, 5, 9, 13, 16, 18, 17, 14, 9, 4, 2],
  },
  'monsoon-lowland': {
    name: 'monsoon lowland',
    annualSpreadShare: 0.18,
    latitudeDeg: 17,
    altitudeM: 40,
    stormMmPerH: 140,
    stormGrowth: 0.17,
    rainMm: [6, 9, 14, 38, 96, 214, 268, 262, 196, 104, 28, 8],
    wetDays: [0.8, 1, 1.5, 3, 7, 14, 18, 18, 14, 7, 2.5, 1],
    tMinC: [16, 18, 21, 24, 26, 26, 25, 25, 25, 23, 20, 17],
    tMaxC: [29, 31, 34, 37, 37, 34, 31, 31, 31, 31, 30, 29],
  },
  'inland-plain': {
    name: 'inland plain, hot summers',
    annualSpreadShare: 0.18,
    latitudeDeg: 41,
    altitudeM: 310,
    stormMmPerH: 95,
    stormGrowth: 0.24,
    rainMm: [22, 26, 52, 78, 104, 112, 96, 92, 74, 58, 38, 26],
    wetDays: [5, 5, 7, 9, 11, 10, 9, 8, 7, 6, 5, 5],
    tMinC: [-9, -7, -1, 5, 11, 16, 19, 18, 13, 6, -1, -7],
    tMaxC: [1, 4, 10, 17, 23, 28, 31, 30, 25, 18, 9, 3],
  },
  'dry-ranch': {
    name: 'dry ranch country',
    annualSpreadShare: 0.3,
    latitudeDeg: 33,
    altitudeM: 900,
    stormMmPerH: 85,
    stormGrowth: 0.28,
    rainMm: [14, 16, 14, 12, 20, 32, 62, 58, 44, 28, 14, 16],
    wetDays: [2, 2.2, 2, 1.6, 2.4, 3.4, 7, 7, 5, 3, 1.8, 2.2],
    tMinC: [-2, 0, 3, 7, 12, 17, 19, 18, 15, 9, 2, -2],
    tMaxC: [14, 17, 20, 25, 30, 34, 34, 32, 30, 25, 18, 14],
  },
  'mild-coast': {
    name: 'mild wet coast',
    annualSpreadShare: 0.14,
    latitudeDeg: 47,
    altitudeM: 30,
    stormMmPerH: 40,
    stormGrowth: 0.18,
    rainMm: [142, 104, 98, 70, 50, 38, 18, 24, 46, 92, 150, 152],
    wetDays: [18, 15, 16, 13, 10, 8, 4, 5, 8, 13, 18, 19],
    tMinC: [2, 2, 3, 5, 8, 10, 12, 12, 10, 7, 4, 2],
    tMaxC: [8, 9, 11, 14, 17, 20, 24, 24, 21, 15, 10, 8],
  },
  'trade-wind-island': {
    name: 'trade-wind island',
    annualSpreadShare: 0.22,
    latitudeDeg: -18,
    altitudeM: 80,
    stormMmPerH: 120,
    stormGrowth: 0.2,
    rainMm: [236, 240, 262, 158, 92, 64, 52, 58, 72, 98, 138, 190],
    wetDays: [17, 17, 18, 14, 11, 9, 8, 9, 9, 11, 12, 15],
    tMinC: [24, 24, 24, 23, 21, 20, 19, 19, 20, 21, 22, 23],
    tMaxC: [31, 31, 30, 30, 28, 27, 26, 27, 27, 28, 29, 30],
  },
  'humid-subtropics': {
    name: 'humid subtropics',
    annualSpreadShare: 0.17,
    latitudeDeg: -28,
    altitudeM: 90,
    stormMmPerH: 130,
    stormGrowth: 0.2,
    rainMm: [152, 158, 142, 96, 84, 68, 52, 44, 48, 86, 104, 134],
    wetDays: [13, 13, 13, 10, 9, 7, 6, 6, 7, 9, 10, 12],
    tMinC: [21, 21, 19, 16, 13, 10, 9, 10, 13, 16, 18, 20],
    tMaxC: [30, 29, 28, 26, 23, 21, 20, 22, 24, 26, 28, 29],
  },
  'equatorial-forest': {
    name: 'equatorial forest edge',
    annualSpreadShare: 0.13,
    latitudeDeg: 2,
    altitudeM: 120,
    stormMmPerH: 150,
    stormGrowth: 0.15,
    rainMm: [168, 152, 214, 248, 222, 136, 104, 112, 148, 224, 262, 206],
    wetDays: [13, 12, 15, 17, 16, 11, 9, 9, 11, 16, 18, 15],
    tMinC: [22, 22, 23, 23, 23, 22, 22, 22, 22, 22, 22, 22],
    tMaxC: [31, 31, 32, 31, 31, 30, 30, 30, 31, 31, 30, 30],
  },
  'desert-edge': {
    name: 'desert edge, winter rain',
    annualSpreadShare: 0.35,
    latitudeDeg: 32,
    altitudeM: 260,
    stormMmPerH: 60,
    stormGrowth: 0.32,
    rainMm: [46, 38, 26, 9, 3, 0, 0, 0, 2, 10, 24, 42],
    wetDays: [5, 4.5, 3.5, 1.5, 0.6, 0, 0, 0, 0.3, 1.4, 3, 4.6],
    tMinC: [4, 5, 7, 11, 15, 18, 20, 20, 18, 15, 10, 6],
    tMaxC: [16, 17, 21, 26, 30, 33, 35, 34, 32, 29, 23, 18],
  },
  'high-plateau': {
    name: 'high plateau, summer rain',
    annualSpreadShare: 0.16,
    latitudeDeg: -16,
    altitudeM: 3600,
    stormMmPerH: 55,
    stormGrowth: 0.22,
    rainMm: [132, 104, 78, 32, 12, 6, 6, 14, 30, 42, 52, 92],
    wetDays: [18, 15, 13, 6, 2.5, 1.4, 1.6, 3, 6, 8, 9, 14],
    tMinC: [4, 4, 3, 0, -4, -7, -8, -6, -2, 1, 2, 4],
    tMaxC: [15, 15, 15, 16, 15, 15, 14, 15, 16, 17, 17, 16],
  },
  'continental-forest': {
    name: 'continental forest, snowy winters',
    annualSpreadShare: 0.15,
    latitudeDeg: 50,
    altitudeM: 220,
    stormMmPerH: 70,
    stormGrowth: 0.22,
    rainMm: [34, 30, 34, 42, 60, 78, 86, 72, 54, 48, 46, 42],
    wetDays: [9, 8, 8, 8, 10, 11, 11, 10, 9, 9, 10, 10],
    tMinC: [-9, -8, -3, 3, 8, 12, 14, 13, 9, 4, 0, -5],
    tMaxC: [-2, 0, 6, 14, 20, 23, 25, 25, 19, 12, 5, 0],
  },
} satisfies Record<string, StandInClimate>

export type ClimateId = keyof typeof CLIMATES
export const CLIMATE_IDS = Object.keys(CLIMATES) as [ClimateId, ...ClimateId[]]

/** By rule, where nobody knows: the drier a climate, the less one year is like another. */
const SPREAD = { wet: { yearMm: 900, share: 0.12 }, dry: { yearMm: 250, share: 0.35 } }

/** The spread of the year's rain that goes with its mean, as a share of it. */
export function usualSpreadShare(yearMm: number): number {
  const { wet, dry } = SPREAD
  const part = Math.max(0, Math.min(1, (wet.yearMm - yearMm) / (wet.yearMm - dry.yearMm)))
  return wet.share + part * (dry.share - wet.share)
}
