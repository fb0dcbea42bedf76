import { chamberVolumeL, litresPerDay, meanYearYieldInput, roofAreaM2, weatherMonths } from '#core/site'
import { MONTH_NAMES } from '#core/climate'
import { roofYield } from '#core/sums'
import type { StepId } from './useSteps'

export interface StepFigure { name: string, value: string, note: string }

/** The four figures that matter for a step, from the document and the last answer. */
export function useStepFigures(step: () => StepId) {
  const open = useSite()
  const results = useResults()
  const { litres, show } = useUnits()
  const yearName = useYearName()

  return computed((): StepFigure[] => {
    const site = open.site!
    const { outlook, year } = results
    const waiting = '…'
    const which = results.choice === 'typical' ? 'usual year' : results.choice === 'worst' ? 'worst year' : year ? yearName(results.yearIndex, year) : ''
    const worst = outlook?.years[outlook.worst]
    const best = outlook && Math.min(...outlook.years.map(each => each.shortDays))
    const daysShort = {
      name: `Days short, ${which}`, value: year ? String(year.shortDays) : waiting,
      note: outlook && worst ? `${best} to ${Math.max(...outlook.years.map(each => each.shortDays))} over ${outlook.years.length} ${outlook.made ? 'made-up ' : ''}years` : '',
    }
    const autonomy = {
      name: 'Lasts without rain', value: !outlook ? waiting : !outlook.autonomy ? '–' : outlook.autonomy.beyond ? 'over 2 years' : `${outlook.autonomy.days} days`,
      note: outlook?.autonomy ? `from full, begun in ${MONTH_NAMES[outlook.autonomy.month]}, no well or main` : 'nothing is used yet',
    }
    const usable = outlook?.pools.reduce((sum, pool) => sum + pool.usableL, 0)
    const nominal = outlook?.pools.reduce((sum, pool) => sum + pool.nominalL, 0)
    const asked = site.uses.map(use => litresPerDay(site, use))
    const byMonth = MONTH_NAMES.map((_, month) => asked.reduce((sum, use) => sum + use[month]!, 0))
    const peak = byMonth.indexOf(Math.max(...byMonth))

    switch (step()) {
      case 'need': return [
        { name: 'Asked a year', value: year ? litres(year.askedL) : waiting, note: year ? `${litres(year.metL)} of it met` : '' },
        { name: `A day in ${MONTH_NAMES[peak]}`, value: litres(byMonth[peak]!), note: 'the month that asks most' },
        daysShort, autonomy,
      ]
      case 'catch': {
        const area = site.roofs.reduce((sum, roof) => sum + roofAreaM2(roof), 0)
        const gives = site.roofs.reduce((sum, roof) => sum + roofYield(meanYearYieldInput(site, roof)).volumeL, 0)
        return [
          { name: 'Roofs give a year', value: litres(gives), note: `${show(weatherMonths(site).reduce((sum, month) => sum + month.rainMm, 0), 'rain')} of rain on ${show(area, 'area')}, ${site.climate.source}${site.climate.shift ? ', shifted' : ''}` },
          { name: `Caught, ${which}`, value: year ? litres(year.caughtL) : waiting, note: 'reached a chamber or tank' },
          { name: 'Spilled at gutters', value: results.roofYear ? litres(results.roofYear.catches.reduce((sum, entry) => sum + entry.overGutterL, 0)) : waiting, note: 'in a mean year, in the hardest minutes' },
          { name: 'Longest dry spell', value: year ? `${year.longestDryDays} days` : waiting, note: `without rain, ${which}` },
        ]
      }
      case 'clean': {
        const chambers = site.nodes.filter(node => node.kind === 'chamber')
        return [
          { name: 'First flush held', value: litres(chambers.reduce((sum, chamber) => sum + chamberVolumeL(chamber), 0)), note: chambers.length === 1 ? 'in one chamber' : `in ${chambers.length} chambers` },
          { name: `Flushed, ${which}`, value: year ? litres(year.flushedL) : waiting, note: year?.caughtL ? `${Math.round(100 * year.flushedL / year.caughtL)} % of what was caught` : '' },
          { name: `Kept, ${which}`, value: year ? litres(year.caughtL - year.flushedL) : waiting, note: 'roof water that reached the tanks' },
          daysShort,
        ]
      }
      default: return [
        { name: 'Usable when full', value: usable === undefined ? waiting : litres(usable), note: nominal === undefined ? '' : `of ${litres(nominal)} nominal` },
        daysShort, autonomy,
        { name: `Spilled, ${which}`, value: year ? litres(year.spilledL) : waiting, note: year ? year.spilledL > year.caughtL - year.flushedL - year.spilledL ? 'more than the plan keeps' : `of ${litres(year.caughtL)} caught` : '' },
      ]
    }
  })
}
