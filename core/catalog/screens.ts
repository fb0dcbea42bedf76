/** What is put in the water's way between roof and tank. `lossShare` is what it throws off over a year, kept clean. */
export interface ScreenKind {
  name: string
  meshMm: number
  keepsOut: string
  letsThrough: string
  lossShare: number
  cleanEveryDays: number
}

export const GUARDS = {
  none: {
    name: 'no leaf guard',
    meshMm: 100,
    keepsOut: 'nothing',
    letsThrough: 'leaves and all',
    lossShare: 0,
    cleanEveryDays: 90,
  },
  mesh: {
    name: 'a leaf mesh',
    meshMm: 6,
    keepsOut: 'leaves and twigs',
    letsThrough: 'moss, grit and pollen',
    lossShare: 0.01,
    cleanEveryDays: 180,
  },
  'fine-mesh': {
    name: 'a fine steel mesh',
    meshMm: 0.6,
    keepsOut: 'leaves, moss and grit',
    letsThrough: 'pollen and dust',
    lossShare: 0.04,
    cleanEveryDays: 180,
  },
  brush: {
    name: 'a gutter brush',
    meshMm: 10,
    keepsOut: 'leaves, not needles',
    letsThrough: 'needles, moss, grit and pollen',
    lossShare: 0.01,
    cleanEveryDays: 120,
  },
} satisfies Record<string, ScreenKind>
export type GuardId = keyof typeof GUARDS
export const GUARD_IDS = Object.keys(GUARDS) as [GuardId, ...GuardId[]]

export const SCREENS = {
  spout: {
    name: 'a sloped screen head at the spout',
    meshMm: 1,
    keepsOut: 'leaves, moss and insects',
    letsThrough: 'dust and pollen',
    lossShare: 0.05,
    cleanEveryDays: 30,
  },
  inlet: {
    name: 'a basket at the tank’s inlet',
    meshMm: 1,
    keepsOut: 'mosquitoes and what the line still brings',
    letsThrough: 'dust and pollen',
    lossShare: 0,
    cleanEveryDays: 30,
  },
  line: {
    name: 'a strainer in the line',
    meshMm: 0.5,
    keepsOut: 'grit',
    letsThrough: 'dust and pollen',
    lossShare: 0,
    cleanEveryDays: 60,
  },
} satisfies Record<string, ScreenKind>
export type ScreenId = keyof typeof SCREENS
export const SCREEN_IDS = Object.keys(SCREENS) as [ScreenId, ...ScreenId[]]

/** The widest mesh that a mosquito cannot pass. */
export const MOSQUITO_MESH_MM = 1.2
