import { z } from 'zod'
import { readStep, type Script, type ScriptStep } from '../plant'
import { readJson } from '../site'

const FORMAT = 'tall-cask/script'
const figures = z.record(z.string(), z.number().min(0).max(1e6)).optional()
const fileSchema = z.object({
  format: z.literal(FORMAT),
  version: z.literal(1),
  name: z.string().min(1).max(200),
  seconds: z
    .number()
    .positive()
    .max(62 * 86400),
  seed: z.number().int(),
  start: z.object({
    levels: figures,
    pressures: figures,
    clockS: z.number().min(0).max(86400).optional(),
    month: z.number().int().min(1).max(12).optional(),
  }),
  steps: z.array(z.unknown()).max(20_000),
})

/** A script as a file: what was played, to be played again exactly. */
export const writeScript = (script: Script): string =>
  `${JSON.stringify({ format: FORMAT, version: 1, ...script }, null, 2)}\n`

/** Reads a script from a file, or says why it cannot be played. */
export function readScript(text: string): { ok: true; script: Script } | { ok: false; why: string } {
  const file = readJson(text)
  if (!file.ok) return { ok: false, why: file.problems.map(({ sentence }) => sentence).join(' ') }
  const read = fileSchema.safeParse(file.json)
  if (!read.success) {
    const [issue] = read.error.issues
    const field = issue!.path.join('.')
    return {
      ok: false,
      why:
        field === 'format' || field === ''
          ? 'This is no script of Tall Cask.'
          : `${field} of the script is not what can be played.`,
    }
  }
  const steps: ScriptStep[] = []
  for (const [at, each] of read.data.steps.entries()) {
    const step = readStep(each)
    if (!step.ok) return { ok: false, why: `Step ${at + 1} of the script: ${step.path || 'it'} ${step.why}.` }
    steps.push(step.step)
  }
  const { name, seconds, seed, start } = read.data
  return { ok: true, script: { name, seconds, seed, start, steps } }
}
