import { warmthGuessed } from './weather'
import { defineCheck, nodeSubject, type Finding } from './finding'
import { monthNames, say, volume } from '../words'
import { frostMonths, roofMonthL, weatherMonths, type Site } from '../site'
import { applyMove, moveOf } from '../moves'
import { daysOf } from '../balance'
import { sum } from 'd3-array'
import { MONTH_DAYS } from '../climate'

const spoutsOf = (site: Site) => site.nodes.filter(node => node.kind === 'spout')

/** What is met over the years of a plan, L a year: drawn from its tanks or bought. */
function yearly(site: Site): { shortL: number; boughtL: number } {
  const { days, shortL, mainL, cartL } = daysOf(site)
  const years = days / 365.25
  return { shortL: sum(shortL) / years, boughtL: (sum(mainL) + sum(cartL)) / years }
}
/** Less than this, or than this share of what is sent away, is no loss: the rest would have spilled. */
const [WORTH_L, WORTH_SHARE] = [50, 0.05]

export const bypassInFilling = defineCheck({
  id: 'bypass-in-filling',
  step: 'clean',
  harms: 'loss',
  needs: ['site'],
  sound: 'No by-pass wastes the months that fill the tanks',
  find: ({ site }) => {
    const frost = frostMonths(site)
    return spoutsOf(site).flatMap((spout): Finding[] => {
      const months = (spout.bypassMonths ?? []).filter(month => !frost.includes(month))
      if (!months.length || spout.bypassMonths!.length === MONTH_DAYS.length) return []
      const lostL = sum(months, month => roofMonthL(site, month, spout.id))
      const left = spout.bypassMonths!.filter(month => !months.includes(month))
      const mend = moveOf('setBypass', { spout: spout.id, months: left })
      const led = applyMove(site, mend)
      if (!led.ok) return []
      const [now, then] = [yearly(site), yearly(led.site)]
      const wantedL = now.shortL + now.boughtL - then.shortL - then.boughtL
      if (wantedL < Math.max(WORTH_L, WORTH_SHARE * lostL)) return []
      return [
        {
          id: `bypass-in-filling:${spout.id}`,
          check: 'bypass-in-filling',
          severity: 'look',
          subject: nodeSubject(spout),
          sentence: say`${spout.name} sends ${volume(lostL)} a year to ground in ${monthNames(months)}, and
            ${volume(wantedL)} of it would be wanted.`,
          why: say`It does not freeze in those months. Led to the tank, that much less is short or bought in a mean
            year; the rest would spill.`,
          numbers: { lostL, wantedL, months: months.length },
          mend: { label: 'Lead it to the tank in those months', move: mend },
        },
      ]
    })
  },
})

export const bypassShutInFrost = defineCheck({
  id: 'bypass-shut-in-frost',
  step: 'clean',
  harms: 'season',
  costsWater: true,
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
            by-pass meant it for all of the frost.${warmthGuessed(site)}`,
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
