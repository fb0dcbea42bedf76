import { z } from 'zod'
import { defineMove, Impossible, needRun } from '../move'
import { freeId, idsOf, runName } from '../../site'
import { lengthOfPart } from '../../kinds'

/** Tells a line's heights along it: humps and dips between its ends. An empty list takes them away. */
export const shapeRun = defineMove({
  args: z.object({
    run: z.string(),
    places: z
      .array(
        z.object({ id: z.string().optional(), alongM: z.number().min(0), heightM: z.number().min(-500).max(5000) }),
      )
      .max(200),
  }),
  label: ({ run }, site) => {
    const found = site.runs.find(each => each.id === run)
    return `Tell the heights along ${found ? runName(site, found) : 'a line'}`
  },
  apply(site, { run: id, places }) {
    const run = needRun(site, id)
    const lengthM = run.parts.reduce((sum, part) => sum + lengthOfPart(part), 0)
    const beyond = places.find(({ alongM }) => alongM <= 0 || alongM >= lengthM)
    if (beyond)
      throw new Impossible(
        `Distance along the line must lie between its ends: “${runName(site, run)}” is ${lengthM.toFixed(1)} m long.`,
      )
    if (!places.length) return void delete run.profile
    const taken = idsOf(site)
    run.profile = places
      .toSorted((a, b) => a.alongM - b.alongM)
      .map(place => {
        const own = place.id ?? freeId(taken, `${id}-place`)
        taken.add(own)
        return { ...place, id: own }
      })
  },
})
