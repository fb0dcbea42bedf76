import { expose } from 'comlink'
import { z } from 'zod'
import { breakLoss, play, plantOf, type Doing, type Plant, type PlantStart, type Played } from '#core/plant'
import type { Site } from '#core/site'

z.config({ jitless: true })

/** The plant that is being played here; it keeps its state between questions. */
let plant: Plant | undefined
let told = 0

/** What can be seen of it, with what has happened since it was last looked at. */
function look() {
  const events = plant!.events.slice(told)
  told = plant!.events.length
  return { view: plant!.view(), events, trouble: plant!.trouble }
}

const face = {
  start(site: Site, start: PlantStart) {
    plant = plantOf(site, start)
    told = 0
    return look()
  },
  act(doings: Doing[]) {
    for (const doing of doings) plant!.act(doing)
    return look()
  },
  advance(untilS: number) {
    plant!.advance(untilS)
    return look()
  },
  play: (site: Site, played: Played) => play(site, played),
  breakLoss: (site: Site, at: string, hours: number) => breakLoss(site, at, hours),
}
export type PlantWorker = typeof face
export type Look = ReturnType<typeof look>
expose(face)
