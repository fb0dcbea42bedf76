import { defineCheck, subjectOfRun, type Finding } from '../finding'
import { length, percent, say } from '../../words'
import { setField } from '../../moves'
import { conductorFor, drawnBy, dutyAt, MOST_DROP_SHARE, pumpsOf } from '../../network'
import { runName } from '../../site'

export const cableTooThin = defineCheck({
  id: 'cable-too-thin',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'Cables bring pumps their voltage, and the inverter bears their starts',
  find: ({ site }) =>
    pumpsOf(site).flatMap(({ run, pump }): Finding[] => {
      const drawn = drawnBy(site, pump, dutyAt(pump))
      const subject = subjectOfRun(site, run)
      const surgeW = site.power?.inverterSurgeW
      const thin = drawn.drop && drawn.drop.dropShare > MOST_DROP_SHARE
      const wider = pump.cable && conductorFor(drawn.currentA, pump.cable.lengthM, drawn.volts)
      return [
        ...(thin
          ? [
              {
                id: `cable-too-thin:${pump.id}`,
                check: 'cable-too-thin',
                severity: 'wrong' as const,
                subject,
                sentence: say`The cable of “${runName(site, run)}” takes ${percent(drawn.drop!.dropShare)} of the
                  voltage: the motor starts hard and runs hot.`,
                why: say`It draws about ${drawn.currentA.toFixed(1)} A over ${length(pump.cable!.lengthM)} of
                  ${pump.cable!.conductorMm2} mm² copper, there and back. Keep it under ${percent(MOST_DROP_SHARE)}.
                  Local code and a licensed trade decide on cable and protection.`,
                numbers: { dropShare: drawn.drop!.dropShare, currentA: drawn.currentA },
                sum: {
                  name: 'voltage-drop',
                  input: {
                    currentA: Math.round(drawn.currentA * 100) / 100,
                    lengthM: pump.cable!.lengthM,
                    conductorMm2: pump.cable!.conductorMm2,
                    volts: drawn.volts,
                  },
                },
                mend: wider
                  ? {
                      label: `Lay ${wider} mm²`,
                      move: setField('part', pump.id, 'cable.conductorMm2', wider),
                    }
                  : undefined,
              },
            ]
          : []),
        ...(surgeW !== undefined && drawn.startW > surgeW
          ? [
              {
                id: `cable-too-thin:surge:${pump.id}`,
                check: 'cable-too-thin',
                severity: 'wrong' as const,
                subject,
                sentence: say`The inverter trips when the pump of “${runName(site, run)}” starts: it asks for about
                  ${Math.round(drawn.startW)} W for a moment, and ${Math.round(surgeW)} W is what there is.`,
                why: say`It runs at about ${Math.round(drawn.inputW)} W and takes several times that to start. A
                  variable-speed set starts softly; or use a larger inverter.`,
                numbers: { startW: drawn.startW, surgeW },
              },
            ]
          : []),
      ]
    }),
})
