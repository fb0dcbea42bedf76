import { z } from 'zod'
import { choice, flag, id, kept, number, share, size, text, twelve, whole } from '../kinds'
import { BED_SOIL_IDS, CROP_IDS, MULCH_IDS, QUALITIES } from '../catalog'

const months = () => twelve(number(0, 10))
export const emitterSchema = kept({ id: id(), count: whole(1, 100000), litresPerHour: size(1000) })
export const amountSchema = z.discriminatedUnion(
  'by',
  [
    kept({ by: z.literal('people'), people: number(0, 10000), litresPerPersonDay: number(0, 2000), months: months() }),
    kept({
      by: z.literal('heads'),
      heads: number(0, 1e6),
      litresPerHeadDay: number(0, 1000),
      hotFactor: number(1, 5).optional(),
      months: months(),
    }),
    kept({
      by: z.literal('day'),
      litresPerDay: number(0, 1e7),
      /** How it is spoken of: so much a day, a week or a month. */
      per: choice(['day', 'week', 'month']).optional(),
      months: months(),
    }),
    kept({
      by: z.literal('habit'),
      people: number(0, 10000),
      timesPerPersonDay: number(0, 200),
      litresEach: number(0, 2000),
      months: months(),
    }),
    kept({
      by: z.literal('bed'),
      areaM2: number(0, 1e6),
      cropCoefficient: number(0, 2),
      irrigationEfficiency: number(0.1, 1),
      /** What grows there; its factor and its roots are fields of their own. */
      crop: choice(CROP_IDS).optional(),
      soil: choice(BED_SOIL_IDS).optional(),
      mulch: choice(MULCH_IDS).optional(),
      rootM: number(0.05, 5).optional(),
      availableMmPerM: number(1, 500).optional(),
      /** Under glass or a roof: no rain reaches it. */
      sheltered: flag().optional(),
      months: months(),
      /** What waters it, where that is dripped by the clock. */
      drip: kept({
        emitters: z.array(emitterSchema).min(1).max(20),
        minutesPerRun: size(1440),
        runsPerWeek: size(70),
        mostLph: size(1e6).optional(),
        zones: whole(1, 100),
        /** Its timer runs on in months too cold for anything to grow; it is shut in them, unless said. */
        runsInCold: flag().optional(),
      }).optional(),
    }),
  ],
  { error: 'must be counted by people, habit, heads, day or bed' },
)

/** A step of rationing: below which share of what its tanks hold, and the share of the day's amount still taken. */
export const rationSchema = kept({ id: id(), belowShare: share(), share: share() })
export const useSchema = kept({
  id: id(),
  name: text(),
  at: id(),
  quality: choice(QUALITIES),
  priority: whole(1, 99),
  amount: amountSchema,
  /** Where tanks and a well or a main both reach it: which serves it first, or both alike; the tanks, unless said. */
  servedBy: choice(['tank', 'outside', 'both']).optional(),
  rations: z.array(rationSchema).max(6).optional(),
  /** Short days a year that the person says they can live with. */
  acceptShortDays: number(0, 366).optional(),
})
