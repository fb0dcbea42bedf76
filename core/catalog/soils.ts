/**
 * Ground by what a spade finds. `bearingKPa` is a presumptive value for a small base on undisturbed ground, of the
 * order building codes
 * allow without a test; `infiltrationMPerS` the middle of the usual range for a soaked pit. Both are starting points:
 * a test pit beats them.
 */
export const SOILS = {
  rock: { name: 'rock', bearingKPa: 400, infiltrationMPerS: 1e-8 },
  gravel: { name: 'gravel', bearingKPa: 150, infiltrationMPerS: 3e-4 },
  sand: { name: 'sand', bearingKPa: 100, infiltrationMPerS: 5e-5 },
  loam: { name: 'loam', bearingKPa: 75, infiltrationMPerS: 7e-6 },
  'stiff-clay': { name: 'stiff clay', bearingKPa: 75, infiltrationMPerS: 2e-7 },
  'soft-clay': { name: 'soft clay or silt', bearingKPa: 40, infiltrationMPerS: 5e-7 },
  fill: { name: 'made ground or topsoil', bearingKPa: 15, infiltrationMPerS: 3e-6 },
} as const
export type SoilId = keyof typeof SOILS
export const SOIL_IDS = Object.keys(SOILS) as [SoilId, ...SoilId[]]

/**
 * Garden soil: the share of the rain that it holds for the roots over a month, and the water a metre of it gives up
 * between field capacity and wilting (FAO-56, table 19, in round figures).
 */
export const BED_SOILS = {
  sand: { name: 'sandy soil', rainUseShare: 0.6, availableMmPerM: 80 },
  loam: { name: 'loam', rainUseShare: 0.75, availableMmPerM: 160 },
  clay: { name: 'heavy soil', rainUseShare: 0.8, availableMmPerM: 140 },
} as const
export type BedSoilId = keyof typeof BED_SOILS
export const BED_SOIL_IDS = Object.keys(BED_SOILS) as [BedSoilId, ...BedSoilId[]]

/**
 * Crops in the middle of their season, by groups that differ little (FAO-56, tables 12 and 22, in round figures): what
 * they drink against a reference lawn, and how deep they root.
 */
export const CROPS = {
  vegetables: { name: 'mixed vegetables', cropCoefficient: 1, rootM: 0.5 },
  salads: { name: 'salads and leaves', cropCoefficient: 1, rootM: 0.3 },
  roots: { name: 'roots and onions', cropCoefficient: 1.05, rootM: 0.5 },
  beans: { name: 'beans and peas', cropCoefficient: 1.15, rootM: 0.6 },
  tomatoes: { name: 'tomatoes and peppers', cropCoefficient: 1.15, rootM: 0.7 },
  squash: { name: 'squash and melons', cropCoefficient: 1, rootM: 0.9 },
  potatoes: { name: 'potatoes', cropCoefficient: 1.15, rootM: 0.5 },
  maize: { name: 'maize', cropCoefficient: 1.2, rootM: 1 },
  berries: { name: 'berries', cropCoefficient: 1.05, rootM: 0.7 },
  'fruit-trees': { name: 'fruit trees', cropCoefficient: 0.95, rootM: 1 },
  shrubs: { name: 'shrubs and flowers', cropCoefficient: 0.7, rootM: 0.7 },
  lawn: { name: 'lawn', cropCoefficient: 0.9, rootM: 0.5 },
} as const
export type CropId = keyof typeof CROPS
export const CROP_IDS = Object.keys(CROPS) as [CropId, ...CropId[]]

/**
 * What lies on a bed: a mulch cuts what the bare soil between the plants gives off, which is about a fifth of a bed’s
 * need.
 */
export const MULCHES = {
  bare: { name: 'bare between the plants', cropFactor: 1 },
  mulched: { name: 'mulched', cropFactor: 0.8 },
} as const
export type MulchId = keyof typeof MULCHES
export const MULCH_IDS = Object.keys(MULCHES) as [MulchId, ...MulchId[]]
