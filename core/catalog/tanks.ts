/** Generic tanks as they are sold everywhere. Shapes are inner measures; the person's own measures replace them. */
export type CatalogShape =
  | { shape: 'upright-cylinder'; diameterM: number; heightM: number }
  | { shape: 'lying-cylinder'; diameterM: number; lengthM: number }
  | { shape: 'box'; lengthM: number; widthM: number; heightM: number }

export interface TankKind {
  name: string
  shape: CatalogShape
  emptyMassKg: number
  lightTight: boolean
  lid: boolean
  /** Its wall is made for earth to press on it, empty too. */
  forEarth: boolean
  base: BaseId
  /** Bore of the inlet and of the fittings at its foot. */
  inletMm: number
  outletMm: number
  /** A guess of what one of `priceAtL` costs, in whatever is spent. */
  price: number
  priceAtL: number
}

/** What a tank stands on: words for the Sheet, and the height it usually lifts the floor. */
export const BASES = {
  'bare-soil': { name: 'bare soil', heightM: 0 },
  gravel: { name: 'gravel in a curb', heightM: 0.15 },
  slab: { name: 'a level slab', heightM: 0.1 },
  blocks: { name: 'blocks', heightM: 0.4 },
  stand: { name: 'a timber stand', heightM: 1.2 },
  buried: { name: 'a bed of sand, buried', heightM: -2 },
} as const
export type BaseId = keyof typeof BASES
export const BASE_IDS = Object.keys(BASES) as [BaseId, ...BaseId[]]

export const TANK_KINDS = {
  drum: {
    name: 'drum',
    shape: { shape: 'upright-cylinder', diameterM: 0.57, heightM: 0.85 },
    emptyMassKg: 10,
    lightTight: true,
    lid: true,
    forEarth: false,
    base: 'blocks',
    inletMm: 50,
    outletMm: 20,
    price: 45,
    priceAtL: 210,
  },
  tote: {
    name: 'caged tote',
    shape: { shape: 'box', lengthM: 1.16, widthM: 0.96, heightM: 0.92 },
    emptyMassKg: 60,
    lightTight: false,
    lid: true,
    forEarth: false,
    base: 'blocks',
    inletMm: 68,
    outletMm: 50,
    price: 110,
    priceAtL: 1000,
  },
  stock: {
    name: 'stock tank',
    shape: { shape: 'upright-cylinder', diameterM: 1.8, heightM: 0.6 },
    emptyMassKg: 60,
    lightTight: true,
    lid: false,
    forEarth: false,
    base: 'gravel',
    inletMm: 68,
    outletMm: 25,
    price: 280,
    priceAtL: 1500,
  },
  upright: {
    name: 'upright poly tank',
    shape: { shape: 'upright-cylinder', diameterM: 1.9, heightM: 1.9 },
    emptyMassKg: 110,
    lightTight: true,
    lid: true,
    forEarth: false,
    base: 'gravel',
    inletMm: 104,
    outletMm: 50,
    price: 1100,
    priceAtL: 5000,
  },
  lying: {
    name: 'lying tank',
    shape: { shape: 'lying-cylinder', diameterM: 1.2, lengthM: 2 },
    emptyMassKg: 90,
    lightTight: true,
    lid: true,
    forEarth: false,
    base: 'slab',
    inletMm: 68,
    outletMm: 50,
    price: 850,
    priceAtL: 2200,
  },
  buried: {
    name: 'buried tank',
    shape: { shape: 'lying-cylinder', diameterM: 1.6, lengthM: 2.6 },
    emptyMassKg: 230,
    lightTight: true,
    lid: true,
    forEarth: true,
    base: 'buried',
    inletMm: 104,
    outletMm: 40,
    price: 3400,
    priceAtL: 5000,
  },
  steel: {
    name: 'steel-walled tank',
    shape: { shape: 'upright-cylinder', diameterM: 3.6, heightM: 2.2 },
    emptyMassKg: 380,
    lightTight: true,
    lid: true,
    forEarth: false,
    base: 'gravel',
    inletMm: 104,
    outletMm: 50,
    price: 3800,
    priceAtL: 22000,
  },
  header: {
    name: 'header tank',
    shape: { shape: 'upright-cylinder', diameterM: 1.1, heightM: 1.2 },
    emptyMassKg: 40,
    lightTight: true,
    lid: true,
    forEarth: false,
    base: 'slab',
    inletMm: 32,
    outletMm: 40,
    price: 380,
    priceAtL: 1100,
  },
  pump: {
    name: 'pump tank',
    shape: { shape: 'upright-cylinder', diameterM: 0.7, heightM: 1.1 },
    emptyMassKg: 20,
    lightTight: true,
    lid: true,
    forEarth: false,
    base: 'slab',
    inletMm: 25,
    outletMm: 32,
    price: 230,
    priceAtL: 420,
  },
} satisfies Record<string, TankKind>

export type TankKindId = keyof typeof TANK_KINDS
export const TANK_KIND_IDS = Object.keys(TANK_KINDS) as [TankKindId, ...TankKindId[]]
