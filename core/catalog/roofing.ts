/** Roofing materials: what runs off and what the first drops wet. Starting points; a measured figure beats them. */
export interface Roofing {
  name: string
  runoffCoefficient: number
  wettingLossMm: number
  /** Said where the water is meant for drinking. */
  drinkingCaution?: string
}

const roofing = {
  'steel': { name: 'steel sheet', runoffCoefficient: 0.95, wettingLossMm: 0.3 },
  'clay-tile': { name: 'clay tile', runoffCoefficient: 0.85, wettingLossMm: 0.8 },
  'concrete-tile': { name: 'concrete tile', runoffCoefficient: 0.82, wettingLossMm: 1 },
  'slate': { name: 'slate', runoffCoefficient: 0.9, wettingLossMm: 0.5 },
  'asphalt-shingle': { name: 'asphalt shingle', runoffCoefficient: 0.85, wettingLossMm: 0.8, drinkingCaution: 'asphalt sheds bitumen and often a moss poison' },
  'membrane': { name: 'membrane', runoffCoefficient: 0.85, wettingLossMm: 0.6, drinkingCaution: 'ask the maker whether the membrane is fit for drinking water' },
  'wood-shake': { name: 'wood shake', runoffCoefficient: 0.75, wettingLossMm: 1.5, drinkingCaution: 'treated timber leaches its treatment' },
  'green': { name: 'green roof', runoffCoefficient: 0.4, wettingLossMm: 4, drinkingCaution: 'soil colours the water and feeds what grows in it' },
} satisfies Record<string, Roofing>

export type RoofingId = keyof typeof roofing
export const ROOFING: Record<RoofingId, Roofing> = roofing
export const ROOFING_IDS = Object.keys(ROOFING) as [RoofingId, ...RoofingId[]]
