import { MONTH_NAMES } from '#core/units'
import { litresPerDay, tanksOf, type Use } from '#core/site'
import { overYears } from '#core/balance'
import { lastsWithoutRain } from '~/steps/autonomy'
import { daysShort, middleOfYears, type StepContext, type StepDefinition, type Subject } from '~/steps/step'

/** Litres a day that a use asks, January first: as the days have it, or by the month's rule until they are known. */
const askedBy = ({ site, outlook }: Pick<StepContext, 'site' | 'outlook'>, use: Use): number[] =>
  outlook?.asks.find(({ id }) => id === use.id)?.litresPerDay ?? litresPerDay(site, use)

/** Litres a day that all uses ask together, January first. */
function askedByMonth(context: Pick<StepContext, 'site' | 'outlook'>): number[] {
  const asked = context.site.uses.map(use => askedBy(context, use))
  return MONTH_NAMES.map((_, month) => asked.reduce((sum, use) => sum + use[month]!, 0))
}

function subjects({ site, litres, outlook }: StepContext): Subject[] {
  const kept = tanksOf(site).reduce((sum, tank) => sum + (tank.reserveL ?? 0), 0)
  return [
    ...site.uses.map(use => ({
      id: use.id,
      name: use.name,
      figure: `${litres(Math.max(...askedBy({ site, outlook }, use)))} a day`,
      holds: [use.id, use.at],
      node: use.at,
    })),
    { id: 'another', name: 'Another use', figure: '+', holds: [] },
    ...(site.uses.length
      ? [
          {
            id: 'picture',
            name: 'Asked and given',
            figure: outlook && litres(overYears(outlook, year => year.askedL).middle),
            holds: [],
          },
        ]
      : []),
    ...(tanksOf(site).length
      ? [{ id: 'fire', name: 'Kept for fire', figure: kept ? litres(kept) : 'none', holds: [] }]
      : []),
  ]
}

export const need: StepDefinition = {
  id: 'need',
  name: 'Need',
  sheet: defineAsyncComponent(() => import('./NeedSheet.vue')),
  started: site => site.uses.length > 0,
  subjects,
  figures: context => {
    const { litres, outlook } = context
    const byMonth = askedByMonth(context)
    const peak = byMonth.indexOf(Math.max(...byMonth))
    return [
      middleOfYears('Asked a year', context, year => year.askedL, litres),
      { name: `A day in ${MONTH_NAMES[peak]}`, value: litres(byMonth[peak]!), note: 'the month that asks most' },
      daysShort(context),
      lastsWithoutRain(outlook),
    ]
  },
  caution:
    'Untreated rain and well water is not for drinking; label every tap it reaches. Local code and a licensed ' +
    'trade decide.',
}
