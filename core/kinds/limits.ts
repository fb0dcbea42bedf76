import { z } from 'zod'

/** Building blocks of the document's schema. Every message is the rest of a sentence that begins with the field's name. */
export const number = (least: number, most: number) =>
  z.number({ error: 'must be a number' }).min(least, `must be at least ${least}`).max(most, `must be at most ${most}`)
/** The least that a real thing measures: below it a figure is a slip, and would only come out as none. */
const LEAST = 1e-4
const LEAST_BORE_MM = 0.1
export const size = (most: number, least = LEAST) =>
  z
    .number({ error: 'must be a number' })
    .positive({ error: 'must be more than 0', abort: true })
    .min(least, `must be at least ${least}`)
    .max(most, `must be at most ${most}`)
export const share = () => number(0, 1)
export const whole = (least: number, most: number) => number(least, most).int('must be a whole number')
export const flag = () => z.boolean('must be true or false')
export const text = (most = 200) => z.string({ error: 'must be text' }).max(most, `must be at most ${most} characters`)
export const id = () => text(120).regex(/^[A-Za-z0-9][\w-]*$/, 'must be letters, digits and dashes')
export const choice = <const Words extends readonly [string, ...string[]]>(words: Words) =>
  z.enum(words, { error: `must be one of ${words.join(', ')}` })
export const twelve = <Item extends z.ZodType>(item: Item) =>
  z.array(item, { error: 'must be a list of 12' }).length(12, 'must have 12 entries, January to December')
export const monthList = () => z.array(whole(1, 12)).max(12)
export const heightM = () => number(-500, 5000)
export const bore = () => size(5000, LEAST_BORE_MM)
export const price = () => number(0, 1e7).optional()

/** Fields we do not know are kept as they are, so that a newer program's notes survive a visit; the type knows only ours. */
export function kept<Shape extends z.ZodRawShape>(shape: Shape): z.ZodObject<Shape> {
  return z.looseObject(shape, { error: 'must be an object' }) as unknown as z.ZodObject<Shape>
}
