import type { FixtureId } from './outlets'

/** Starting points for what people use. Everyone's habits differ: a month with a meter beats this table. */
export type Quality = 'garden' | 'washing' | 'animals' | 'drinking'
export const QUALITIES = ['garden', 'washing', 'animals', 'drinking'] as const satisfies readonly Quality[]

export const QUALITY_WORDS: Record<Quality, string> = {
  garden: 'garden water',
  washing: 'washing and flushing',
  animals: 'water for animals',
  drinking: 'drinking water',
}

export interface UsePreset {
  name: string
  quality: Quality
  by: 'people' | 'habit' | 'bed' | 'heads' | 'day'
  /** Litres a person, a head, a day or a time; for a bed, its crop coefficient. */
  each: number
  /** Times a person and day, for a habit; how much more animals drink in hot months. */
  times?: number
  hotFactor?: number
  count: number
  /** How deep a bed's plants root, where deeper or shallower than vegetables do. */
  rootM?: number
  tapAboveGroundM: number
  /** What it is drawn from; a bed’s drip, unless said. */
  fixture?: FixtureId
  /** Indoors, where nobody is content with what a tank's height gives. */
  pressurised?: boolean
}

const presets = {
  drinking: {
    fixture: 'kitchen',
    name: 'Drinking',
    quality: 'drinking',
    by: 'people',
    each: 3,
    count: 2,
    tapAboveGroundM: 1.1,
    pressurised: true,
  },
  kitchen: {
    fixture: 'kitchen',
    name: 'Kitchen',
    quality: 'drinking',
    by: 'people',
    each: 22,
    count: 2,
    tapAboveGroundM: 1.1,
    pressurised: true,
  },
  shower: {
    fixture: 'shower',
    name: 'Shower and basin',
    quality: 'washing',
    by: 'habit',
    each: 50,
    times: 0.9,
    count: 2,
    tapAboveGroundM: 2,
    pressurised: true,
  },
  flush: {
    fixture: 'cistern',
    name: 'Flushing',
    quality: 'washing',
    by: 'habit',
    each: 6,
    times: 4.5,
    count: 2,
    tapAboveGroundM: 0.9,
    pressurised: true,
  },
  laundry: {
    fixture: 'washing-machine',
    name: 'Laundry',
    quality: 'washing',
    by: 'habit',
    each: 60,
    times: 0.3,
    count: 2,
    tapAboveGroundM: 1,
    pressurised: true,
  },
  basin: {
    fixture: 'basin',
    name: 'Workshop basin',
    quality: 'washing',
    by: 'people',
    each: 8,
    count: 3,
    tapAboveGroundM: 1,
  },
  washdown: {
    fixture: 'hose',
    name: 'Washing down',
    quality: 'washing',
    by: 'day',
    each: 60,
    count: 1,
    tapAboveGroundM: 0.8,
  },
  beds: { name: 'Vegetable beds', quality: 'garden', by: 'bed', each: 0.9, count: 20, tapAboveGroundM: 0.5 },
  trees: {
    name: 'Fruit trees on drip',
    quality: 'garden',
    by: 'bed',
    each: 0.6,
    count: 60,
    rootM: 1,
    tapAboveGroundM: 0.3,
  },
  goats: {
    fixture: 'trough',
    name: 'Goats',
    quality: 'animals',
    by: 'heads',
    each: 6,
    hotFactor: 1.6,
    count: 6,
    tapAboveGroundM: 0.5,
  },
  pigs: {
    fixture: 'trough',
    name: 'Pigs',
    quality: 'animals',
    by: 'heads',
    each: 12,
    hotFactor: 1.6,
    count: 3,
    tapAboveGroundM: 0.5,
  },
  horses: {
    fixture: 'trough',
    name: 'Horses',
    quality: 'animals',
    by: 'heads',
    each: 35,
    hotFactor: 1.6,
    count: 2,
    tapAboveGroundM: 0.6,
  },
  hens: {
    fixture: 'trough',
    name: 'Hens',
    quality: 'animals',
    by: 'heads',
    each: 0.25,
    hotFactor: 1.8,
    count: 20,
    tapAboveGroundM: 0.5,
  },
  sheep: {
    fixture: 'trough',
    name: 'Sheep',
    quality: 'animals',
    by: 'heads',
    each: 5,
    hotFactor: 1.6,
    count: 12,
    tapAboveGroundM: 0.5,
  },
  cattle: {
    fixture: 'trough',
    name: 'Cattle',
    quality: 'animals',
    by: 'heads',
    each: 50,
    hotFactor: 1.5,
    count: 4,
    tapAboveGroundM: 0.6,
  },
} satisfies Record<string, UsePreset>

/** A month whose days reach this on the mean is a hot one for animals. */
export const HOT_MONTH_C = 25
/** Below this mean temperature nothing grows, °C. */
export const GROWS_ABOVE_C = 5

export type UsePresetId = keyof typeof presets
export const USE_PRESETS: Record<UsePresetId, UsePreset> = presets
export const USE_PRESET_IDS = Object.keys(USE_PRESETS) as [UsePresetId, ...UsePresetId[]]
