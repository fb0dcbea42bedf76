import type { Kind } from './units'

/** What a field of a document or a sum holds: the kind of quantity, and what a person calls it. */
export interface FieldRow {
  kind: Kind
  words: string
}

/** Fields whose words or kind cannot be read off their name's last letters. */
const TOLD: Record<string, Partial<FieldRow>> = {
  withinM: { words: 'level to within' },
  washOffPerMm: { kind: 'coefficient', words: 'wash-off a millimetre' },
  stormHours: { kind: 'duration', words: 'hours of the storm' },
  toLevelM: { words: 'level at last' },
  fromLevelM: { words: 'level at first' },
  fillShare: { words: 'share of the pipe filled' },
  roughnessMm: { kind: 'roughness', words: 'roughness of the wall' },
  returnYears: { words: 'comes once in so many years' },
  returnExponent: { kind: 'coefficient', words: 'growth with rarity, as a power' },
  rainUseShare: { words: 'share of rain that beds use' },
  planAreaBM2: { words: 'plan area of the second tank' },
  planAreaAM2: { words: 'plan area of the first tank' },
  manning: { kind: 'coefficient', words: 'roughness after Manning, n' },
  kTotal: { kind: 'coefficient', words: 'losses of all fittings, k' },
  infiltrationMPerS: { kind: 'infiltration', words: 'what the ground takes' },
  fiveYearMmPerH: { words: 'burst that comes once in five years' },
  dischargeCoefficient: { kind: 'coefficient', words: 'discharge coefficient' },
  captureShare: { words: 'share caught' },
  airHole: { words: 'air hole' },
  acceptShortDays: { words: 'days short that you can live with' },
  altitudeM: { words: 'altitude' },
  amount: { words: 'amount' },
  baseM: { words: 'height' },
  belowShare: { words: 'level of rationing' },
  boreMm: { words: 'bore' },
  bypassBy: { words: 'by-pass' },
  bypassMonths: { words: 'months of the by-pass' },
  bypassWhenFull: { words: 'by-pass once the tank is full' },
  capL: { words: 'litres held' },
  availableMmPerM: { kind: 'count', words: 'millimetres of water a metre of soil gives' },
  cropCoefficient: { kind: 'count', words: 'crop coefficient' },
  depthMm: { words: 'depth' },
  emptiedEveryDays: { kind: 'count', words: 'days between emptyings' },
  emptyMassKg: { words: 'empty mass' },
  fewerDaysShare: { words: 'share of wet days lost' },
  frostDepthM: { words: 'frost depth' },
  groundM: { words: 'ground' },
  hoseM: { words: 'hose' },
  hotFactor: { kind: 'count', words: 'factor of hot months' },
  hours: { kind: 'duration', words: 'hours' },
  irrigationEfficiency: { kind: 'share', words: 'irrigation efficiency' },
  keptMm: { kind: 'rain', words: 'rain kept back' },
  litresEach: { kind: 'volume', words: 'litres each time' },
  litresPerDay: { kind: 'dailyVolume', words: 'litres a day' },
  litresPerHeadDay: { kind: 'dailyVolume', words: 'litres a head and day' },
  litresPerHour: { kind: 'hourFlow', words: 'flow of an emitter' },
  litresPerPersonDay: { kind: 'dailyVolume', words: 'litres a person and day' },
  meshMm: { words: 'mesh' },
  minutes: { kind: 'count', words: 'minutes' },
  minutesPerRun: { kind: 'count', words: 'minutes a run' },
  mostLPerDay: { kind: 'dailyVolume', words: 'most a day' },
  mostLph: { kind: 'hourFlow', words: 'most flow' },
  orificeMm: { words: 'outlet' },
  pitchDeg: { words: 'pitch' },
  price: { kind: 'count', words: 'price' },
  pricePerLoad: { kind: 'count', words: 'price of a load' },
  pricePerM3: { kind: 'count', words: 'price of a cubic metre' },
  rainMm: { kind: 'rain', words: 'rain' },
  ratingUm: { kind: 'count', words: 'rating' },
  reserveL: { words: 'litres kept back for fire' },
  rootM: { words: 'depth of the roots' },
  runoffCoefficient: { kind: 'share', words: 'runoff coefficient' },
  runoffMm: { kind: 'rain', words: 'runoff' },
  share: { kind: 'share', words: 'share' },
  slope: { kind: 'share', words: 'slope' },
  startShare: { words: 'trigger' },
  stillWaterDepthM: { words: 'depth to water' },
  stopM: { words: 'stop of the float' },
  stopShare: { words: 'level at which it stops' },
  stormMm: { kind: 'rain', words: 'storm' },
  tMaxC: { words: 'mean maximum' },
  tMinC: { words: 'mean minimum' },
  ventMm: { words: 'vent' },
  voidShare: { words: 'share of voids' },
  wantedMm: { kind: 'rain', words: 'wanted depth' },
  wetDays: { kind: 'count', words: 'wet days' },
  wettingLossMm: { kind: 'rain', words: 'wetting loss' },
  xM: { words: 'place along' },
  yM: { words: 'place across' },
  yieldLPerDay: { words: 'yield a day' },
}

/** The unit that ends a field's name, longest first, and the kind of quantity it stands for. */
const TAILS: [tail: string, kind: Kind][] = [
  ['MmPerH', 'intensity'],
  ['LPerDay', 'dailyVolume'],
  ['Lps', 'flow'],
  ['Lph', 'hourFlow'],
  ['KPa', 'pressure'],
  ['Share', 'share'],
  ['Mm', 'bore'],
  ['M2', 'area'],
  ['Kg', 'mass'],
  ['Deg', 'angle'],
  ['M', 'length'],
  ['L', 'volume'],
  ['C', 'temperature'],
]

/** The row of a field: its kind of quantity by its unit, its words by its name, where the table does not say otherwise. */
export function fieldRow(name: string): FieldRow {
  const tail = TAILS.find(([ending]) => name.endsWith(ending) && name.length > ending.length)
  const stem = tail && tail[1] !== 'share' ? name.slice(0, -tail[0].length) : name
  const words = stem.replace(/([A-Z])/g, ' $1').toLowerCase()
  return { kind: tail?.[1] ?? 'count', words, ...TOLD[name] }
}
