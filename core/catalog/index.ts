export { CLIMATE_IDS, CLIMATES, type ClimateId, usualSpreadShare } from './climates'
export { FITTING_K, TEE_STRAY, TEES, type TeeId } from './fittings'
export {
  BUILD_UP_DAYS,
  BYPASS_IDS,
  BYPASSES,
  DIRTINESS,
  DIRTINESS_IDS,
  DRY_HOURS_OF_WET_DAY,
  EMPTIES_SLOWLY_HOURS,
  EMPTY_WITHIN_HOURS,
  FLUSH_SCHOOLS,
  LONG_DRY_DAYS,
  STANDPIPE_MOST_M,
  WET_DAY_HOURS,
  type FlushSchoolId,
} from './flush'
export { flushDrumsSold, standpipesSold, type FlushDrum, type Standpipe } from './flushForms'
export {
  DOWNPIPE_BORES_MM,
  GUTTER_PROFILES,
  GUTTER_SIZES,
  GUTTER_WORDS,
  LINE_BORES_MM,
  SECTION_SHARE,
  USUAL_STORM_MM_PER_H,
  type GutterProfile,
} from './gutters'
export {
  BACKFLOW_IDS,
  BACKFLOW_WORDS,
  type BackflowId,
  FIXTURE_IDS,
  FIXTURES,
  OUTFALL_IDS,
  OUTFALLS,
  TAP_LABEL_WORDS,
  TAP_LABELS,
  type FixtureId,
} from './outlets'
export {
  BRANCHING_IDS,
  BRANCHINGS,
  COMFORT_KPA,
  FILL_LINE_IDS,
  FILL_LINES,
  FRICTION_SHARE,
  HOLD_IDS,
  HOLDS,
  LIFT_IDS,
  LIFTS,
  liftRow,
  PRECHARGE_UNDER_KPA,
  PRESSURE_TANKS_L,
  RELIEF_OVER_KPA,
  SWITCH_GAP_KPA,
  type BranchingId,
  type FillLineId,
  type HoldId,
  type LiftedFrom,
  type LiftId,
} from './lifting'
export {
  PIPE_SERIES,
  PIPE_SERIES_IDS,
  pipePricePerM,
  pipeSeries,
  sizeName,
  sizeOfPipe,
  usualSeries,
  type PipeSeriesId,
} from './pipes'
export { guessedPrice, sizesSoldL } from './prices'
export {
  DIAPHRAGM,
  PUMP_IDS,
  PUMP_SWITCH_WORDS,
  PUMP_SWITCHES,
  PUMPS,
  STOPPED_PUMP_K,
  guessedPumpPrice,
  TREATMENT,
  TREATMENT_MONTHS,
  usualSwitch,
  type PumpId,
  type PumpSwitchId,
} from './pumps'
export {
  FLAT_SHARE,
  LOSS_SCHOOL_IDS,
  LOSS_SCHOOLS,
  ROOF_EXTRA_IDS,
  ROOF_EXTRAS,
  ROOFING,
  ROOFING_IDS,
  type LossSchoolId,
  type RoofExtraId,
  type RoofingId,
} from './roofing'
export { GUARD_IDS, GUARDS, MOSQUITO_MESH_MM, SCREEN_IDS, SCREENS, type ScreenId } from './screens'
export { BED_SOIL_IDS, BED_SOILS, CROP_IDS, CROPS, type CropId, MULCH_IDS, MULCHES, SOIL_IDS, SOILS } from './soils'
export {
  COVER_IDS,
  CROSSING_IDS,
  CROSSINGS,
  type CrossingId,
  COVERS,
  FROST_PROOF_LINES,
  FROST_PROOF_TANKS,
  GAUGE_IDS,
  GAUGES,
  LID_IDS,
  LIDS,
  NEAR,
  NEAR_IDS,
  OVERFLOW_ENDINGS,
  SPILL_MARGIN_M,
} from './tankFittings'
export { BASE_IDS, BASES, TANK_KIND_IDS, TANK_KINDS, type BaseId, type TankKindId } from './tanks'
export {
  HOT_MONTH_C,
  QUALITIES,
  QUALITY_WORDS,
  USE_PRESET_IDS,
  USE_PRESETS,
  type Quality,
  type UsePresetId,
} from './uses'
