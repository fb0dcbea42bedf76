import type { z } from 'zod'
import { bore, choice, flag, id, kept, number, size } from './limits'
import { END_FAMILY_IDS, OVERFLOW_ENDINGS, SEXES } from '../catalog'

/** What a fitting in a tank's wall is for; `fire` is the one that a hydrant draws from, below all others. */
export const PORT_ROLES = {
  inlet: { name: 'inlet', feelsLevel: false },
  overflow: { name: 'overflow', feelsLevel: false },
  outlet: { name: 'outlet', feelsLevel: true },
  fire: { name: 'hydrant’s outlet', feelsLevel: true },
  link: { name: 'link', feelsLevel: true },
  drain: { name: 'drain', feelsLevel: true },
} as const satisfies Record<string, { name: string; feelsLevel: boolean }>
export type PortRole = keyof typeof PORT_ROLES
export const PORT_ROLE_IDS = Object.keys(PORT_ROLES) as [PortRole, ...PortRole[]]

export const portSchema = kept({
  name: id(),
  role: choice(PORT_ROLE_IDS),
  heightM: number(0, 50),
  boreMm: bore(),
  /** A small hole at the top of a pipe that ends under water or skims, so that it cannot siphon. */
  airHole: flag().optional(),
  /** A draw-off whose hole lies high and whose intake lies low, since a pump stands in the tank: above the floor. */
  intakeM: number(0, 50).optional(),
  /** Where the cord of that pump leaves the tank, above the floor. */
  cordAtM: number(0, 50).optional(),
  /** How far above the floor the pipe of a calmed inlet ends. */
  pipeEndM: number(0, 50).optional(),
  /** How an overflow begins: a plain pipe, one behind a screen, a water trap, or a mouth that skims the surface. */
  ending: choice(OVERFLOW_ENDINGS).optional(),
  /** What end it has towards its line, where somebody has looked: family, size as it is called, and side. */
  end: kept({ family: choice(END_FAMILY_IDS), size: id(), sex: choice(SEXES) }).optional(),
  /** Which way it faces: degrees round the wall, clockwise from above, 0 where the lid's front is. */
  bearingDeg: number(0, 360).optional(),
  /** What shuts a fitting that no line ends at yet, kept for the next tank. */
  spare: choice(['cap', 'valve']).optional(),
  /** A draw-off that hangs from a float: its hose, and how far above the floor its stop holds it. */
  floating: kept({ hoseM: size(30), stopM: number(0, 10) }).optional(),
})
export type Port = z.infer<typeof portSchema>

/** A place where a line can end at a node: its height above the datum, what it is for, and its bore where it has one. */
export interface PortPlace {
  name: string
  role: PortRole
  heightM: number
  boreMm?: number
}
