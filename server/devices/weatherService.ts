import { DAY_MS } from '#core/units'
import { z } from 'zod'
import { chance } from './chance'
import { defineDevice } from './device'
import { dayNumber, isoDate, makeRain, monthOf, slowOfSpread } from '#core/climate'
import { CLIMATE_IDS, CLIMATES, type ClimateId } from '#core/catalog'

/**
 * A stand-in for a weather service: made-up stations around any point, each with a daily record up to yesterday by the
 * clock, always the same for the same station and seed. It can be switched to fail as real ones do.
 */
export interface Station {
  id: string
  name: string
  latitudeDeg: number
  longitudeDeg: number
  altitudeM: number
  distanceKm: number
  climate: string
  from: string
  to: string
}
export interface StationDay {
  date: string
  rainMm: number | null
  tMinC: number | null
  tMaxC: number | null
}

export const OUTAGES = ['none', 'down', 'slow', 'cut-off', 'garbled'] as const
export const weatherDevice = defineDevice(
  'weather',
  'the weather service',
  z.object({ outage: z.enum(OUTAGES, { error: `must be one of ${OUTAGES.join(', ')}` }).default('none') }),
)

/** What the outside world is at a moment: its seed, and milliseconds since 1970 by its clock. */
export interface Outside {
  seed: number
  atMs: number
}

const CELL_DEG = 0.2
const AROUND = 1
/** The last cells towards a pole, and those at which east meets west. */
const [POLE_ROW, DATE_LINE_COLUMN] = [90 / CELL_DEG, 180 / CELL_DEG]
/** A column of cells, counted on round the earth. */
const round = (column: number): number => ((column + 3 * DATE_LINE_COLUMN) % (2 * DATE_LINE_COLUMN)) - DATE_LINE_COLUMN
/** Halves of names that no place on a map has. */
const SYLLABLES = [
  'Quarr',
  'Ithen',
  'Vosk',
  'Brantl',
  'Ockm',
  'Tivv',
  'Zell',
  'Yarr',
  'Umbr',
  'Drosk',
  'Pellax',
  'Harrab',
  'Nethl',
  'Corvex',
  'Lummak',
  'Skerv',
  'Ostriv',
  'Gavv',
  'Wymm',
  'Fessel',
]
const ENDINGS = ['enfold', 'areach', 'ittarn', 'obank', 'ethorn', 'uscairn', 'umstill', 'illcroft', 'endrift', 'ascar']
const EARTH_KM = 6371
const DAY_OF_MISSING = 211

/** The stations within a few cells of a point, nearest first. */
export function stationsNear(outside: Outside, latitudeDeg: number, longitudeDeg: number): Station[] {
  const [row, column] = [Math.round(latitudeDeg / CELL_DEG), Math.round(longitudeDeg / CELL_DEG)]
  const stations: Station[] = []
  for (let north = -AROUND; north <= AROUND; north++)
    for (let east = -AROUND; east <= AROUND; east++)
      if (Math.abs(row + north) <= POLE_ROW) stations.push(stationAt(outside, row + north, round(column + east)))
  return stations
    .map(station => ({ ...station, distanceKm: Math.round(distanceKm(latitudeDeg, longitudeDeg, station) * 10) / 10 }))
    .sort((a, b) => a.distanceKm - b.distanceKm)
    .slice(0, 6)
}

function stationAt({ seed, atMs }: Outside, row: number, column: number): Station {
  const id = `st-${row + 2000}-${column + 2000}`
  const pick = <Item>(list: readonly Item[], word: string) => list[Math.floor(chance(seed, id, word) * list.length)]!
  const latitudeDeg = Math.max(
    -90,
    Math.min(90, Math.round((row + chance(seed, id, 'north') - 0.5) * CELL_DEG * 1e4) / 1e4),
  )
  const climate = climateOf(seed, id, latitudeDeg)
  return {
    id,
    name: `${pick(SYLLABLES, 'name')}${pick(ENDINGS, 'ending')}`,
    latitudeDeg,
    longitudeDeg: Math.round((column + chance(seed, id, 'east') - 0.5) * CELL_DEG * 1e4) / 1e4,
    altitudeM: Math.round(CLIMATES[climate].altitudeM * (0.6 + 0.8 * chance(seed, id, 'high'))),
    distanceKm: 0,
    climate: CLIMATES[climate].name,
    from: `${1984 + Math.floor(chance(seed, id, 'since') * 22)}-01-01`,
    to: isoDate(Math.floor(atMs / DAY_MS) - 1),
  }
}

/** A station by its id; none where it is no station's id, and `impossible` where no place on earth has it. */
export function stationById(outside: Outside, id: string): Station | 'impossible' | undefined {
  const [, north, east] = /^st-(\d+)-(\d+)$/.exec(id) ?? []
  if (north === undefined) return undefined
  const [row, column] = [Number(north) - 2000, Number(east) - 2000]
  const isOnEarth = Math.abs(row) <= POLE_ROW && column >= -DATE_LINE_COLUMN && column < DATE_LINE_COLUMN
  return isOnEarth ? stationAt(outside, row, column) : 'impossible'
}

/** One of the two stand-in climates whose latitude is nearest, on the right half of the earth where there is one. */
function climateOf(seed: number, id: string, latitudeDeg: number): ClimateId {
  const away = (climate: ClimateId) => Math.abs(CLIMATES[climate].latitudeDeg - latitudeDeg)
  const nearest = [...CLIMATE_IDS].sort((a, b) => away(a) - away(b))
  return nearest[chance(seed, Math.floor(latitudeDeg), 'climate', id.slice(0, 7)) < 0.7 ? 0 : 1]!
}

/** A station's days: its climate's months, a little its own, with the odd day missing as in any real record. */
export function stationDays({ seed }: Outside, station: Station): StationDay[] {
  const climate = CLIMATES[climateOf(seed, station.id, station.latitudeDeg)]
  const wetter = 0.85 + 0.3 * chance(seed, station.id, 'wetter')
  const start = dayNumber(station.from)
  const years = Number(station.to.slice(0, 4)) - Number(station.from.slice(0, 4)) + 1
  const months = climate.rainMm.map((rainMm, month) => ({
    rainMm: rainMm * wetter,
    wetDays: climate.wetDays[month]!,
  }))
  const slow = slowOfSpread(months, climate.annualSpreadShare)
  const rain = makeRain(months, start, years, Math.floor(chance(seed, station.id, 'seed') * 2 ** 31), slow)
  const days = dayNumber(station.to) - start + 1
  return Array.from(rain.subarray(0, days), (rainMm, index) => {
    const month = monthOf(start + index)
    const missing = (index + Math.floor(chance(seed, station.id, 'gap') * DAY_OF_MISSING)) % DAY_OF_MISSING === 0
    const warm = (chance(seed, station.id, index) - 0.5) * 8
    const tenth = (value: number) => Math.round(value * 10) / 10
    return {
      date: isoDate(start + index),
      rainMm: missing ? null : tenth(rainMm),
      tMinC: missing ? null : tenth(climate.tMinC[month]! + warm),
      tMaxC: missing ? null : tenth(climate.tMaxC[month]! + warm),
    }
  })
}

function distanceKm(latitudeDeg: number, longitudeDeg: number, station: Station): number {
  const rad = (deg: number) => (deg * Math.PI) / 180
  const half = (deg: number) => Math.sin(rad(deg) / 2) ** 2
  return (
    2 *
    EARTH_KM *
    Math.asin(
      Math.sqrt(
        half(station.latitudeDeg - latitudeDeg) +
          Math.cos(rad(latitudeDeg)) * Math.cos(rad(station.latitudeDeg)) * half(station.longitudeDeg - longitudeDeg),
      ),
    )
  )
}
