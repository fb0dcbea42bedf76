import { warmthGuessed } from './weather'
import { sum } from 'd3-array'
import { subjectOf } from './roofLines'
import { defineCheck, type Finding } from './finding'
import { monthNames, length, say, volume } from '../words'
import { frostDepthM, frostMonths, nodeById, roofMonthL } from '../site'
import { moveOf } from '../moves'

export const wetLineUndrained = defineCheck({
  id: 'wet-line-undrained',
  step: 'clean',
  harms: 'season',
  needs: ['site', 'roofLines'],
  sound: 'Every wet line can be drained at its low point',
  find: ({ site, roofLines }) =>
    roofLines
      .filter(line => line.wet && !line.drainRunIds.length && !line.drainedByChamber)
      .flatMap((line, index, all): Finding[] => {
        if (all.findIndex(other => other.low.nodeId === line.low.nodeId) !== index) return []
        const low = nodeById(site, line.low.nodeId)
        return [
          {
            id: `wet-line-undrained:${line.low.nodeId}`,
            check: 'wet-line-undrained',
            severity: 'wrong',
            subject: subjectOf(line),
            sentence: say`${volume(line.standingL)} stand in the line from ${line.spout.name} between rains and
              cannot be let out.`,
            why: say`It dips to ${length(line.low.heightM)}, ${length(line.inletM - line.low.heightM)} below the
              tank’s inlet, with no drain there: what settles stays, and frost splits it.`,
            numbers: { standingL: line.standingL, dipM: line.inletM - line.low.heightM },
            mend:
              low.kind === 'joint'
                ? { label: 'Fit a screened drain at the low point', move: moveOf('fitLowDrain', { joint: low.id }) }
                : low.kind === 'chamber'
                  ? {
                      label: 'Fit an outlet to the chamber there',
                      move: moveOf('fitChamberOutlet', { chamber: low.id }),
                    }
                  : undefined,
          },
        ]
      }),
})

export const wetLineFreezes = defineCheck({
  id: 'wet-line-freezes',
  step: 'clean',
  harms: 'season',
  follows: ['wet-line-undrained'],
  costsWater: true,
  needs: ['site', 'roofLines'],
  sound: 'No water stands in a line through frost',
  find: ({ site, roofLines }) =>
    roofLines.flatMap((line): Finding[] => {
      const months = frostMonths(site).filter(month => !line.spout.bypassMonths?.includes(month))
      if (!line.wet || line.drainedByChamber || !months.length) return []
      const lostL = sum(months, month => roofMonthL(site, month, line.spout.id))
      return [
        {
          id: `wet-line-freezes:${line.spout.id}`,
          check: 'wet-line-freezes',
          severity: 'look',
          subject: subjectOf(line),
          sentence: say`The water that stands in the line from ${line.spout.name} freezes in ${monthNames(months)}
            and splits the pipe.`,
          why: say`${volume(line.standingL)} stand in it, up to the height of the inlet, above any frost line.
            By-passed in those months and drained, it forgoes up to ${volume(lostL)}; a tank buried so that it falls
            all the way forgoes nothing.${warmthGuessed(site)}`,
          numbers: { months: months.length, lostL, standingL: line.standingL, frostDepthM: frostDepthM(site) },
          mend: {
            label: 'By-pass it in those months',
            move: moveOf('setBypass', {
              spout: line.spout.id,
              months: [...(line.spout.bypassMonths ?? []), ...months],
            }),
          },
        },
      ]
    }),
})
