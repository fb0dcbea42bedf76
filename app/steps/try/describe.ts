import { useTry } from './useTry'
import { sum } from 'd3-array'
import type { StepContext, StepFigure, Subject } from '~/steps/step'
import { nameOf } from '#core/site'
import { tankVolume } from '#core/sums'

export function subjects({ site }: StepContext): Subject[] {
  if (!site.runs.length) return []
  return [
    { id: 'live', name: 'The plant, live', holds: [] },
    { id: 'play', name: 'Plays', holds: [] },
    { id: 'break', name: 'Break something', holds: [] },
    { id: 'find', name: 'Find the fault', holds: [] },
    { id: 'mine', name: 'What is wrong with mine?', holds: [] },
    { id: 'card', name: 'Commissioning card', holds: [] },
  ]
}

/** What the plant shows now: the weakest tap that is open, starts, what stands in tanks, what was taken. */
export function figures({ show, litres, site }: StepContext): StepFigure[] {
  const { view, events } = useTry()
  const early = true
  const now = view.value
  if (!now)
    return ['Weakest tap now', 'Pump starts this hour', 'In all tanks', 'Taken since it began'].map(name => ({
      name,
      early,
      value: '…',
      note: '',
    }))
  const open = Object.entries(now.taps).filter(([id]) => now.open[id])
  const weakest = open.toSorted((a, b) => a[1].pressureKPa - b[1].pressureKPa)[0]
  const starts = events.value.filter(({ what, atS }) => what === 'pump-starts' && atS > now.atS - 3600).length
  const { in: came, out, spilled, error } = now.litres
  const held = sum(
    site.nodes.flatMap(node =>
      node.kind === 'tank' ? [tankVolume({ ...node.shape, levelM: now.levels[node.id] ?? 0 }).volumeL] : [],
    ),
  )
  return [
    {
      name: 'Weakest tap now',
      early,
      ...(weakest
        ? {
            value: show(weakest[1].pressureKPa, 'pressure'),
            note: `${nameOf(site, weakest[0])}, ${show(weakest[1].flowLps, 'flow')}`,
          }
        : { value: 'all shut', note: '' }),
    },
    { name: 'Pump starts this hour', early, value: String(starts), note: '' },
    {
      name: 'In all tanks',
      early,
      value: litres(held),
      note: `${litres(came)} came in, ${litres(spilled)} spilled`,
    },
    {
      name: 'Taken since it began',
      early,
      value: litres(out),
      note: Math.abs(error) < 0.01 ? 'the books close' : `the books are out by ${litres(Math.abs(error))}`,
    },
  ]
}
