import { MONTH_NAMES } from '#core/units'
import { litresPerDay, tanksOf, type Site } from '#core/site'
import { lastsWithoutRain } from '~/steps/autonomy'
import { daysShort, WAITING, type StepContext, type StepDefinition, type Subject } from '~/steps/step'

/** Litres a day that all uses ask together, January first. */
function askedByMonth(site: Site): number[] {
  const asked = site.uses.map(use => litresPerDay(site, use))
  return MONTH_NAMES.map((_, month) => asked.reduce((sum, use) => sum + use[month]!, 0))
}

function subjects({ site, litres, year }: StepContext): Subject[] {
  const kept = tanksOf(site).reduce((sum, tank) => sum + (tank.reserveL ?? 0), 0)
  return [
    ...site.uses.map(use => ({
      id: use.id,
      name: use.name,
      figure: `${litres(Math.max(...litresPerDay(site, use)))} a day`,
      holds: [use.id, use.at],
      node: use.at,
    })),
    { id: 'another', name: 'Another use', figure: '+', holds: [] },
    ...(site.uses.length
      ? [{ id: 'picture', name: 'Asked and given', figure: year && litres(year.askedL), holds: [] }]
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
    const { site, year, litres, outlook } = context
    const byMonth = askedByMonth(site)
    const peak = byMonth.indexOf(Math.max(...byMonth))
    return [
      {
        name: 'Asked a year',
        value: year ? litres(year.askedL) : WAITING,
        note: year ? `${litres(year.metL)} of it met` : '',
      },
      { name: `A day in ${MONTH_NAMES[peak]}`, value: litres(byMonth[peak]!), note: 'the month that asks most' },
      daysShort(context),
      lastsWithoutRain(outlook),
    ]
  },
  caution:
    'Untreated rain and well water is not for drinking; label every tap it reaches. Local code and a licensed ' +
    'trade decide.',
}
