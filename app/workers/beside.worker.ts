import { expose } from 'comlink'
import { z } from 'zod'
import { built, byLine, planOf, substitutesOf, tellStages } from '#core/build'
import { commissionCard } from '#core/plant'
import { spellsFrom } from '#core/reading'
import { dutyOfPump, momentWith, weakestAlone, wrongWaysOf } from '#core/network'

z.config({ jitless: true })

/** What the steps read off a large document, so that the page does not stand still meanwhile. */
const face = {
  built,
  byLine,
  planOf,
  substitutesOf,
  tellStages,
  dutyOfPump,
  momentWith,
  weakestAlone,
  wrongWaysOf,
  commissionCard,
  spellsFrom,
}

export type BesideWorker = typeof face
expose(face)
