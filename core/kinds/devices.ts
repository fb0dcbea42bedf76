import type { z } from 'zod'
import { choice, id, kept, number, size, text } from './limits'
import type { ReadingKind } from './readings'

/** What a kind of device tells, where it stands, and how often it is asked. */
interface DeviceRow {
  name: string
  tells: ReadingKind
  of?: 'tank' | 'run'
  everyMinutes: number
  /** It tells what is still to come: nothing of it is a reading. */
  ahead?: true
}
const row = (of: DeviceRow): DeviceRow => of

/** Everything that tells readings by itself. A new kind is a row here. */
export const DEVICE_KINDS = {
  level: row({ name: 'level sensor', tells: 'level', of: 'tank', everyMinutes: 360 }),
  rain: row({ name: 'rain gauge', tells: 'rain', everyMinutes: 1440 }),
  meter: row({ name: 'flow meter', tells: 'meter', of: 'run', everyMinutes: 1440 }),
  pump: row({ name: 'pump monitor', tells: 'starts', of: 'run', everyMinutes: 1440 }),
  forecast: row({ name: 'weather forecast', tells: 'rain', everyMinutes: 360, ahead: true }),
} as const
export type DeviceKind = keyof typeof DEVICE_KINDS
export const DEVICE_KIND_IDS = Object.keys(DEVICE_KINDS) as [DeviceKind, ...DeviceKind[]]

/** A device of a site: what it is, where it stands, and the address at which it is asked. */
export const deviceSchema = kept({
  id: id(),
  kind: choice(DEVICE_KIND_IDS),
  name: text(),
  address: text(500),
  subject: text().optional(),
  everyMinutes: number(1, 44_640),
  /** A level sensor that looks down on the water hangs so high above the floor, and tells how far it looks. */
  hangsAtM: size(60).optional(),
})
export type Device = z.infer<typeof deviceSchema>
