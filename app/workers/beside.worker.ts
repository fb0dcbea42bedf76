import { expose, releaseProxy, type Remote } from 'comlink'
import { z } from 'zod'
import { built, byLine, moveTask, planOf, substitutesOf, tellStages } from '#core/build'
import { commissionCard } from '#core/plant'
import { spellsFrom } from '#core/balance'
import { dutyOfPump, modesFor, momentWith, servedInMode, weakestAlone, wrongWaysOf } from '#core/network'
import type { Site } from '#core/site'

z.config({ jitless: true })

/** Takes a part of an answer by its name. */
export type PutPart = (name: string, part: unknown) => void
/** Tells an answer part by part, each in a message of its own. */
async function tellParts(answer: object, put: Remote<PutPart>): Promise<void> {
  for (const [name, part] of Object.entries(answer)) await put(name, part)
  put[releaseProxy]()
}

/** What the steps read off a large document, so that the page does not stand still meanwhile. */
const face = {
  built: (site: Site, month: number, today: string, put: Remote<PutPart>) => tellParts(built(site, month, today), put),
  byLine,
  moveTask,
  planOf,
  substitutesOf,
  tellStages,
  dutyOfPump,
  momentWith,
  modesFor,
  servedInMode,
  weakestAlone,
  wrongWaysOf,
  commissionCard,
  spellsFrom,
}

export type BesideWorker = typeof face
expose(face)
