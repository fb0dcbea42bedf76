import type { Content } from 'pdfmake/interfaces'
import { group } from 'd3-array'
import { small, subheading, table } from '~/print/paper'
import { momentTogether } from '~/steps/lift/useMoment'
import { PUMPS } from '#core/catalog'
import { partWords } from '#core/kinds'
import { mainPipe, sizeOf } from '#core/build'
import {
  conductorFor,
  drawnBy,
  dutyAt,
  MOST_DROP_SHARE,
  pipeLengthM,
  pumpsOf,
  singleTapFlows,
  tapsOf,
  trainsOf,
  wireGauge,
} from '#core/network'
import { nameOf, runName } from '#core/site'
import { phraseText } from '#core/words'
import type { ReportFacts } from './reportFacts'

/** Every line with its pipe, what it passes at its busiest and what that takes; then the taps, alone and together. */
export function lines({ site, show }: ReportFacts): Content[] {
  const moment = momentTogether(site)
  const alone = singleTapFlows(site, 'full')
  const low = singleTapFlows(site, 'low')
  const ends = (id: string) => {
    const kPa = moment?.nodes[id]?.pressureKPa
    return kPa === undefined ? '' : show(kPa, 'pressure')
  }
  const taps = tapsOf(site)
  return [
    small('Flow, speed and loss while all taps run at once that are said to; the pressure is that at the line’s end.'),
    table(
      ['*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'],
      site.runs.map(run => {
        const state = moment?.runs[run.id]
        const flows = state && state.flowLps !== 0
        return [
          runName(site, run),
          sizeOf(mainPipe(site, run)),
          show(pipeLengthM(run), 'length'),
          flows ? show(Math.abs(state.flowLps), 'flow') : '',
          flows ? show(state.velocityMps, 'speed') : '',
          flows ? show(state.lossM, 'length') : '',
          state ? ends(run.to.node) : '',
        ]
      }),
      ['line', 'pipe', 'length', 'flow', 'speed', 'takes', 'at its end'],
    ),
    ...(taps.length
      ? [
          subheading('Taps'),
          table(
            ['*', 'auto', 'auto', 'auto'],
            taps.map(({ id }) => [
              nameOf(site, id),
              ...[alone.get(id), low.get(id), moment?.taps[id]].map(of =>
                of ? `${show(of.flowLps, 'flow')}, ${show(of.pressureKPa, 'pressure')}` : '',
              ),
            ]),
            ['tap', 'alone, tanks full', 'alone, tanks nearly empty', 'all at once'],
          ),
        ]
      : []),
  ]
}

/** Each motor with its supply, cable, protection, and who connects it. */
export function power({ site, show }: ReportFacts): Content[] {
  const { units } = site.standards
  const copper = (mm2: number) => (units === 'metric' ? `${mm2} mm²` : wireGauge(mm2))
  const pumps = pumpsOf(site)
  if (!pumps.length) return [small('No motor: all water falls by itself.')]
  return [
    table(
      ['*', 'auto', '*', '*'],
      pumps.map(({ run, pump }) => {
        const { volts, currentA, inputW, startW, drop } = drawnBy(site, pump, dutyAt(pump))
        const { cable } = pump
        const wanted = cable && conductorFor(currentA, cable.lengthM, volts)
        const direct = pump.pump === 'solar' || volts <= 60
        const cableWords = cable
          ? `${show(cable.lengthM, 'length')} of ${copper(cable.conductorMm2)} copper` +
            (drop ? `, which takes ${show(drop.dropShare, 'share')} of the voltage` : '') +
            (drop && drop.dropShare > MOST_DROP_SHARE && wanted ? `; ${copper(wanted)} is wanted` : '')
          : 'nobody has said how long its cable is'
        return [
          [{ text: PUMPS[pump.pump].name, bold: true }, small(`in “${runName(site, run)}”`)],
          [
            `${volts} V${direct ? ' direct current' : `, ${site.standards.hertz} Hz`}`,
            small(`${currentA.toFixed(1)} A`),
          ],
          [`${Math.round(inputW)} W, ${Math.round(startW)} W as it starts`, small(cableWords)],
          small(
            direct
              ? 'A fuse at the source, as its maker says; a cord gland above the highest water.'
              : 'A breaker of its own and a residual-current device of 30 mA or finer; everything in a box; the cord ' +
                  'leaves the tank above the highest water. Connected by a licensed electrician, as the local code says.',
          ),
        ]
      }),
      ['motor', 'supply', 'takes, and its cable', 'protection, and by whom'],
    ),
  ]
}

/** What treats the water of each tap, in the order in which water meets it; and which taps are not for drinking. */
export function treatment({ site, show }: ReportFacts): Content[] {
  const { units } = site.standards
  const trains = trainsOf(site)
  const treated = new Set(trains.map(({ tap }) => tap.id))
  const others = group(
    tapsOf(site).filter(({ id }) => !treated.has(id)),
    ({ label }) => label ?? 'none',
  )
  return [
    ...trains.flatMap(({ tap, stages, flowLps, cleanKPa, dueKPa }): Content[] => [
      subheading(nameOf(site, tap.id)),
      table(
        ['*', 'auto', 'auto', 'auto'],
        stages.map(({ part, ratedLps, cleanKPa: clean, dueKPa: due }) => [
          phraseText(partWords(part), units),
          show(ratedLps, 'flow'),
          show(clean, 'pressure'),
          show(due, 'pressure'),
        ]),
        ['in order', 'made for', 'takes clean', 'takes when due'],
      ),
      small(
        `At ${show(flowLps, 'flow')} it takes ${show(cleanKPa, 'pressure')} clean and ${show(dueKPa, 'pressure')} when ` +
          'all is due. Cartridges go by their pressure drop, the lamp yearly.',
      ),
    ]),
    ...(others.size
      ? [
          {
            text:
              'Not treated for drinking, and to be labelled so: ' +
              [...others.values()]
                .flat()
                .map(({ id }) => nameOf(site, id))
                .join(', ') +
              '.',
            margin: [0, 4, 0, 4],
          } as Content,
        ]
      : []),
    small('Whether water is fit to drink is for a laboratory and the local code to say.'),
  ]
}
