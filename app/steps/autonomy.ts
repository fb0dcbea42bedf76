import { counted } from '#core/words'
import { MONTH_NAMES } from '#core/units'
import type { Outlook } from '#core/balance'
import { WAITING, type StepFigure } from './step'

/** How long full tanks last without rain, in words. */
export function autonomyText(outlook: Outlook | undefined): string {
  if (!outlook) return WAITING
  if (!outlook.autonomy) return '–'
  const { days, hours, beyond } = outlook.autonomy
  if (beyond) return 'over 2 years'
  // Under three days it is the hours that count.
  return days < 3 ? counted(Math.floor(hours), 'hour') : counted(days, 'day')
}

export const lastsWithoutRain = (outlook: Outlook | undefined): StepFigure => ({
  name: 'Lasts without rain',
  value: autonomyText(outlook),
  note: outlook?.autonomy
    ? `from full, begun in ${MONTH_NAMES[outlook.autonomy.month]}, no well or main`
    : 'nothing is used yet',
})
