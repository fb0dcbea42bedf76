import { answersOf } from './answers'
import {
  dutyOfPump,
  modesFor,
  momentWith,
  servedInMode,
  weakestSingleTap,
  wrongWaysOf,
  type Stand,
} from '#core/network'
import type { Mode, Site } from '#core/site'

const moment = answersOf('moment', (site, { taps, stand }) => momentWith(site, taps, stand))
/** Flows and pressures of a site with some taps open; nothing until those of a large one are known. */
export const momentIn = (site: Site, taps: readonly string[], stand: Stand) => moment(site, { taps: [...taps], stand })

const duty = answersOf('duty', (site, { pump, taps, stand }) => dutyOfPump(site, pump, taps, stand))
/** Where a pump runs, by its id. */
export const dutyIn = (site: Site, pump: string, taps: readonly string[], stand: Stand) =>
  duty(site, { pump, taps: [...taps], stand })

const weakest = answersOf('weakest', (site, { stand }) => weakestSingleTap(site, stand))
/** The tap that has least pressure when each is open by itself. */
export const weakestIn = (site: Site, stand: Stand) => weakest(site, { stand })

const modes = answersOf('modes', modesFor)
/** Ways of running it that its lines allow. */
export const modesIn = (site: Site) => modes(site, {})

const served = answersOf('served', (site, { mode }) => servedInMode(site, mode))
/** What a way of running it serves. */
export const servedIn = (site: Site, mode: Mode) => served(site, { mode })

const wrongWays = answersOf('wrongWays', wrongWaysOf)
/** Where water can go that it should not. */
export const wrongWaysIn = (site: Site) => wrongWays(site, {})
