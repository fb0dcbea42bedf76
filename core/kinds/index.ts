export { choice, flag, heightM, id, kept, number, price, share, size, text, twelve, whole } from './limits'
export {
  isOfStorm,
  kindName,
  nodeSchema,
  nodeSchemaOf,
  portsOf,
  readAt,
  runsThrough,
  type NodeKind,
  type NodeOf,
  type SiteNode,
  type Tank,
} from './nodes'
export {
  asksOf,
  boreOfPart,
  does,
  kOf,
  layIn,
  lengthOfPart,
  levelsOut,
  offeredParts,
  partWords,
  passageOf,
  rowOf,
} from './ofParts'
export type { OfferedIn } from './partRow'
export { PART_KINDS, partSchema, partSchemaOf, type NewPart, type Part, type PartKind, type PartOf } from './parts'
export { DEVICE_KIND_IDS, DEVICE_KINDS, deviceSchema, type Device, type DeviceKind } from './devices'
export { outageSchema, type OutageRule } from './outage'
export {
  LEVEL_BY,
  instantDigits,
  moment,
  READING_KIND_IDS,
  READING_KINDS,
  readingSchema,
  type LevelBy,
  type LogReading,
  type ReadingKind,
} from './readings'
export { PORT_ROLES, portSchema, type Port, type PortRole } from './ports'
