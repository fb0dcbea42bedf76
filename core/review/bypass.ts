import { defineCheck, nodeSubject, type Finding } from './finding'
import { monthNames, say, volume } from '../words'
import { frostMonths, litresPerDay, roofMonthL, weatherMonths, type Site } from '../site'
import { moveOf } from '../moves'
import { MONTH_DAYS } from '../climate'

const spoutsOf = (site: Site) => site.nodes.filter(node => node.kind === 'spout')

/**
 * Months in which the roofs bring more than is asked, in a plan whose other months ask more than they bring: those
 * that fill the tanks.
 */
function fillingMonths(site: Site): number[] {
  const asked = MONTH_DAYS.map((days, index) =>
    site.uses.reduce((sum, use) => sum + litresPerDay(site, use)[index]! * days, 0),
  )
  const over = asked.map((litres, index) => roofMonthL(site, index + 1) - litres)
  return over.some(litres => litres < 0) ? over.flatMap((litres, index) => (litres > 0 ? [index + 1] : [])) : []
}

export const bypassInFilling = defineCheck({
  id: 'bypass-in-filling',
  step: 'clean',
  needs: ['site'],
  sound: 'No by-pass wastes the months that fill the tanks',
  find: ({ site }) => {
    const [filling, frost] = [fillingMonths(site), frostMonths(site)]
    return spoutsOf(site).flatMap((spout): Finding[] => {
      const months = (spout.bypassMonths ?? []).filter(month => filling.includes(month) && !frost.includes(month))
      if (!months.length || spout.bypassMonths!.length === MONTH_DAYS.length) return []
      const lostL = months.reduce((sum, month) => sum + roofMonthL(site, month, spout.id), 0)
      return [
        {
          id: `bypass-in-filling:${spout.id}`,
          check: 'bypass-in-filling',
          severity: 'look',
          subject: nodeSubject(spout),
          sentence: say`${spout.name} sends ${volume(lostL)} to ground in ${monthNames(months)}, when the tanks fill
            for the dry months.`,
          why: say`In a mean year those months bring more than is asked and others less, and it does not freeze in
            them.`,
          numbers: { lostL, months: months.length },
          mend: {
            label: 'Lead it to the tank in those months',
            move: moveOf('setBypass', {
              spout: spout.id,
              months: spout.bypassMonths!.filter(month => !months.includes(month)),
            }),
          },
        },
      ]
    })
  },
})

export const bypassShutInFrost = defineCheck({
  id: 'bypass-shut-in-frost',
  step: 'clean',
  needs: ['site'],
  sound: 'Winter by-passes stand open through the frost',
  find: ({ site }) => {
    const frost = frostMonths(site)
    return spoutsOf(site).flatMap((spout): Finding[] => {
      const months = spout.bypassMonths?.length ? frost.filter(month => !spout.bypassMonths!.includes(month)) : []
      if (!months.length) return []
      const coldest = Math.min(...months.map(month => weatherMonths(site)[month - 1]!.tMinC))
      return [
        {
          id: `bypass-shut-in-frost:${spout.id}`,
          check: 'bypass-shut-in-frost',
          severity: 'look',
          subject: nodeSubject(spout),
          sentence: say`The by-pass of ${spout.name} is shut in ${monthNames(months)}, and its line and chamber
            freeze.`,
          why: say`Nights there average down to ${{ value: coldest, kind: 'temperature' }}. Whoever fitted a winter
            by-pass meant it for all of the frost.`,
          numbers: { coldestC: coldest, months: months.length },
          mend: {
            label: 'Open it for all of the frost',
            move: moveOf('setBypass', { spout: spout.id, months: [...spout.bypassMonths!, ...months] }),
          },
        },
      ]
    })
  },
})
