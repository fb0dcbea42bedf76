import type { Quality } from './uses'

/** Roofing materials: what runs off and what the first drops wet. Starting points; a measured figure beats them. */
export interface Roofing {
  name: string
  runoffCoefficient: number
  wettingLossMm: number
  /** Said where the water is meant for one of these. */
  unfitFor?: Quality[]
  caution?: string
}

const roofing = {
  steel: { name: 'steel sheet', runoffCoefficient: 0.95, wettingLossMm: 0.3 },
  'clay-tile': { name: 'clay tile', runoffCoefficient: 0.85, wettingLossMm: 0.8 },
  'concrete-tile': { name: 'concrete tile', runoffCoefficient: 0.82, wettingLossMm: 1 },
  slate: { name: 'slate', runoffCoefficient: 0.9, wettingLossMm: 0.5 },
  'asphalt-shingle': {
    name: 'asphalt shingle',
    runoffCoefficient: 0.85,
    wettingLossMm: 0.8,
    unfitFor: ['drinking', 'animals'],
    caution: 'asphalt sheds bitumen and often a moss poison',
  },
  membrane: {
    name: 'membrane',
    runoffCoefficient: 0.85,
    wettingLossMm: 0.6,
    unfitFor: ['drinking'],
    caution: 'ask the maker whether the membrane is fit for drinking water',
  },
  'wood-shake': {
    name: 'wood shake',
    runoffCoefficient: 0.75,
    wettingLossMm: 1.5,
    unfitFor: ['drinking'],
    caution: 'treated timber leaches its treatment',
  },
  copper: {
    name: 'copper',
    runoffCoefficient: 0.95,
    wettingLossMm: 0.3,
    unfitFor: ['drinking', 'animals', 'garden'],
    caution: 'rain takes copper into solution, which harms fish, sheep and seedlings first',
  },
  green: {
    name: 'green roof',
    runoffCoefficient: 0.4,
    wettingLossMm: 4,
    unfitFor: ['drinking', 'washing'],
    caution: 'soil colours the water and feeds what grows in it',
  },
} satisfies Record<string, Roofing>

export type RoofingId = keyof typeof roofing
export const ROOFING: Record<RoofingId, Roofing> = roofing
export const ROOFING_IDS = Object.keys(ROOFING) as [RoofingId, ...RoofingId[]]

/** What a roof of sound material may still carry. */
export const ROOF_EXTRAS = {
  lead: {
    name: 'lead flashing',
    unfitFor: ['drinking', 'animals'],
    caution: 'lead flashing and old paint give lead, which no filter here takes out',
  },
  'moss-poison': {
    name: 'a moss treatment',
    unfitFor: ['drinking', 'animals', 'garden'],
    caution: 'moss treatments wash off for a season and poison plants and animals',
  },
  'treated-timber': { name: 'treated timber', unfitFor: ['drinking', 'animals'], caution: 'timber treatments leach' },
} satisfies Record<string, { name: string; unfitFor: Quality[]; caution: string }>
export type RoofExtraId = keyof typeof ROOF_EXTRAS
export const ROOF_EXTRA_IDS = Object.keys(ROOF_EXTRAS) as [RoofExtraId, ...RoofExtraId[]]

/** How the rain that a roof loses is reckoned: three schools. */
export const LOSS_SCHOOLS = {
  events: { name: 'each rain wets the roof, then the material’s share runs off', short: 'by the event' },
  coefficient: { name: 'the material’s share runs off', short: 'by the material' },
  flat: { name: 'half of it, and be safe', short: 'a flat half' },
} as const
export type LossSchoolId = keyof typeof LOSS_SCHOOLS
export const LOSS_SCHOOL_IDS = Object.keys(LOSS_SCHOOLS) as [LossSchoolId, ...LossSchoolId[]]
export const FLAT_SHARE = 0.5
