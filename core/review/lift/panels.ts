import { range, sum } from 'd3-array'
import { defineCheck, subjectOfRun, type Finding } from '../finding'
import { percent, say } from '../../words'
import { setField } from '../../moves'
import { dailyWh, drawnBy, dutyAt, peakSunHours, pumpsOf, USABLE_SHARE } from '../../network'
import { feedsOf, litresPerDay, runName, type Site } from '../../site'
import { MONTH_NAMES } from '../../units'

/** Panels and batteries are sold in such steps, W and Wh. */
const [PANEL_STEP_W, BATTERY_STEP_WH] = [10, 50]
const upTo = (value: number, step: number) => Math.ceil(value / step - 1e-9) * step
const watts = (value: number) => `${Math.round(value)} W`
const wattHours = (value: number) => `${Math.round(value)} Wh`

const setPower = (site: Site, field: 'panelW' | 'batteryWh', value: number) =>
  setField('site', '', 'power', { ...site.power, [field]: value })

/** A pump that hangs on panels alone, and takes more than they give in full sun. */
function solarShort(site: Site, panelW: number): Finding[] {
  return pumpsOf(site)
    .filter(({ pump }) => pump.pump === 'solar')
    .flatMap(({ run, pump }): Finding[] => {
      const { inputW } = drawnBy(site, pump, dutyAt(pump))
      if (panelW >= inputW - 1) return []
      return [
        {
          id: `panel-too-small:${pump.id}`,
          check: 'panel-too-small',
          severity: 'look',
          subject: subjectOfRun(site, run),
          sentence: say`The pump of “${runName(site, run)}” takes ${watts(inputW)} and its panels give ${watts(panelW)} in
            full sun: it brings about ${percent(panelW / inputW)} of what the plan counts on.`,
          why: say`The plan takes it to run at its full flow for each hour of full sun.`,
          numbers: { inputW, panelW },
          mend: {
            label: `Take panels of ${watts(upTo(inputW, PANEL_STEP_W))}`,
            move: setPower(site, 'panelW', upTo(inputW, PANEL_STEP_W)),
          },
        },
      ]
    })
}

/** Watt hours that the pumps behind the inverter take for the taps that they feed, on a day of each month. */
function askedWh(site: Site): number[] {
  return feedsOf(site)
    .flatMap(({ pump, taps }) => {
      if (!pump || pump.pump === 'solar') return []
      const drawn = drawnBy(site, pump, dutyAt(pump))
      const uses = site.uses.filter(({ at }) => taps.some(({ id }) => id === at)).map(use => litresPerDay(site, use))
      return [
        range(12).map(month =>
          dailyWh(
            drawn,
            sum(uses, litres => litres[month]!),
          ),
        ),
      ]
    })
    .reduce((all, each) => all.map((wh, month) => wh + each[month]!), Array<number>(12).fill(0))
}

/** Off the grid: panels that bring less than the pumps take, a battery that does not last from one day to the next. */
function offGridShort(site: Site): Finding[] {
  const { panelW, batteryWh, inverterSurgeW } = site.power ?? {}
  if (batteryWh === undefined && inverterSurgeW === undefined) return []
  const asked = askedWh(site)
  const mostWh = Math.max(...asked)
  const pumped = feedsOf(site).find(({ pump }) => pump && pump.pump !== 'solar')
  if (!pumped || mostWh < 1) return []
  const subject = subjectOfRun(site, pumped.trunk[0]!)
  const hours = peakSunHours(site)
  const missing = asked.map((wh, month) => wh - (panelW ?? Infinity) * hours[month]!)
  const month = missing.indexOf(Math.max(...missing))
  const wantedW = upTo(Math.max(...asked.map((wh, at) => (hours[at]! > 0.1 ? wh / hours[at]! : 0))), PANEL_STEP_W)
  const wantedWh = upTo(mostWh / USABLE_SHARE, BATTERY_STEP_WH)
  return [
    ...(panelW !== undefined && missing[month]! > 0
      ? [
          {
            id: 'panel-too-small:grid',
            check: 'panel-too-small',
            severity: 'look' as const,
            subject,
            sentence: say`In ${MONTH_NAMES[month]!} the panels bring ${wattHours(panelW * hours[month]!)} a day, and the
              pumps take ${wattHours(asked[month]!)}: the taps stay dry until the sun is back.`,
            why: say`${watts(panelW)} of panels have ${hours[month]!.toFixed(1)} hours of full sun a day then, flat and
              clean. A steeper panel does better in winter; so does less use.`,
            numbers: { panelW, broughtWh: panelW * hours[month]!, askedWh: asked[month]! },
            mend: { label: `Take panels of ${watts(wantedW)}`, move: setPower(site, 'panelW', wantedW) },
          },
        ]
      : []),
    ...(batteryWh !== undefined && USABLE_SHARE * batteryWh < mostWh
      ? [
          {
            id: 'panel-too-small:battery',
            check: 'panel-too-small',
            severity: 'look' as const,
            subject,
            sentence: say`The battery does not carry a day’s pumping: it gives ${wattHours(USABLE_SHARE * batteryWh)}, and
              the pumps take ${wattHours(mostWh)}.`,
            why: say`Of ${wattHours(batteryWh)} ${percent(USABLE_SHARE)} may be drawn without wearing it out. A day
              without sun empties it.`,
            numbers: { batteryWh, askedWh: mostWh },
            mend: { label: `Take one of ${wattHours(wantedWh)}`, move: setPower(site, 'batteryWh', wantedWh) },
          },
        ]
      : []),
  ]
}

export const panelTooSmall = defineCheck({
  id: 'panel-too-small',
  step: 'lift',
  harms: 'season',
  needs: ['site'],
  sound: 'Panels and battery carry the pumps that hang on them',
  find: ({ site }) => {
    const { panelW } = site.power ?? {}
    return [...(panelW === undefined ? [] : solarShort(site, panelW)), ...offGridShort(site)]
  },
})
