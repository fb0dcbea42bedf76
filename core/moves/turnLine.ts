import { z } from 'zod'
import { defineMove, Impossible } from './move'
import { runName, type Run } from '../site'

/** The same line the other way round: its parts in the other order, its heights along it from the other end. */
export function turnRound(run: Run): void {
  const { from, to } = run
  const lengthM = run.parts.reduce((sum, part) => sum + (part.kind === 'pipe' ? part.lengthM : 0), 0)
  run.from = to
  run.to = from
  run.parts = [...run.parts].reverse()
  if (run.profile)
    run.profile = run.profile
      .map(place => ({ ...place, alongM: Math.max(0, lengthM - place.alongM) }))
      .sort((a, b) => a.alongM - b.alongM)
  delete run.name
}

/** Turns a line round, so that what lets water through one way lets it through the other. */
export const turnLine = defineMove({
  args: z.object({ run: z.string() }),
  label: ({ run }, site) => {
    const line = site.runs.find(({ id }) => id === run)
    return line ? `Turn “${runName(site, line)}” round` : 'Turn a line round'
  },
  apply(site, { run }) {
    const line = site.runs.find(({ id }) => id === run)
    if (!line) throw new Impossible('That line is no longer there.')
    turnRound(line)
  },
})
