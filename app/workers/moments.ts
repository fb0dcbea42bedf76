import { beside } from './beside'
import { dutyOfPump, modesFor, momentWith, servedInMode, weakestAlone, wrongWaysOf } from '#core/network'

/** Flows and pressures of a site with some taps open; nothing until those of a large one are known. */
export const momentIn = beside(momentWith, (face, site, taps, at) => face.momentWith(site, taps, at))
/** Where a pump runs, by its id. */
export const dutyIn = beside(dutyOfPump, (face, site, pump, taps, at) => face.dutyOfPump(site, pump, taps, at))
/** The tap that has least pressure when each is open by itself. */
export const weakestIn = beside(weakestAlone, (face, site, at) => face.weakestAlone(site, at))
/** Ways of running it that its lines allow. */
export const modesIn = beside(modesFor, (face, site) => face.modesFor(site))
/** What a way of running it serves. */
export const servedIn = beside(servedInMode, (face, site, mode) => face.servedInMode(site, mode))
/** Where water can go that it should not. */
export const wrongWaysIn = beside(wrongWaysOf, (face, site) => face.wrongWaysOf(site))
