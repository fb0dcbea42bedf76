import { NONE_IS_LIFTED } from '../causes'
import { defineCheck, nodeSubject, passedBy, subjectOfRun, type Finding } from '../finding'
import { flow, pipeSize, pressure, say } from '../../words'
import { moveOf, nextBoreMm, setField } from '../../moves'
import { headOfPressureM, staticPressure } from '../../sums'
import { boreMm, levelsAt, momentWith, singleTapFlows, tapsOf, wayOfWater } from '../../network'
import { feedsOf, graphOf, nameOf, portHeightM, runName, type Feed, type Site } from '../../site'
import { FIXTURES } from '../../catalog'
import { does, type NodeOf } from '../../kinds'

/** Under this share of what it is made for a tap is felt to be weak; under the next it is no use. */
const [WEAK_SHARE, USELESS_SHARE] = [0.7, 0.35]
/** What falls from a tank’s own height alone fills a can or waters a bed at this share yet. */
const SLOW_SHARE = 0.2
/** Above this, fittings and hoses suffer. */
const MOST_KPA = 550
/** What a mend keeps below that; and the least that a house is given, or its taps grow weak. */
const [SPARE_KPA, LEAST_SET_KPA] = [200, 150]

const wantedOf = (tap: NodeOf<'tap'>) => ({
  flowLps: tap.ratedLps ?? FIXTURES[tap.fixture].ratedLps,
  pressureKPa: tap.ratedKPa ?? FIXTURES[tap.fixture].ratedKPa,
})
const tapSubject = (site: Site, { id }: NodeOf<'tap'>) => nodeSubject({ id, name: nameOf(site, id) })
const isServed = (site: Site, { id }: NodeOf<'tap'>) => graphOf(site).into(id).length > 0

/** The stretch of a tap's way that takes most, where a wider pipe would help. */
function widened(site: Site, tap: NodeOf<'tap'>): Finding['mend'] {
  const { moment } = singleTapFlows(site, 'full').get(tap.id)!
  const [worst] = wayOfWater(site, moment, tap.id).toSorted((a, b) => b.state.lossM - a.state.lossM)
  const pipe = worst?.run.parts.filter(part => part.kind === 'pipe').toSorted((a, b) => b.lengthM - a.lengthM)[0]
  if (!worst || !pipe || worst.state.lossM < 1) return undefined
  const boreMm = nextBoreMm(pipe.innerDiameterMm)
  return {
    label: say`Lay “${runName(site, worst.run)}” in ${pipeSize(boreMm)}`,
    move: moveOf('setBore', { runs: [worst.run.id], boreMm }),
  }
}

export const tapWeak = defineCheck({
  id: 'tap-weak',
  step: 'lift',
  harms: 'season',
  follows: [...NONE_IS_LIFTED, 'float-chokes', 'hump-without-vent'],
  needs: ['site'],
  sound: 'Every tap has the flow it is made for, even when the tanks are nearly empty',
  find: ({ site }) => {
    const [low, full] = [singleTapFlows(site, 'low'), singleTapFlows(site, 'full')]
    return tapsOf(site).flatMap((tap): Finding[] => {
      const wanted = wantedOf(tap)
      const given = low.get(tap.id)!
      // A drip below its emitters' pressure has a finding of its own; a float on a trough waits.
      if (!isServed(site, tap) || tap.fixture === 'drip' || !given.moment.converged) return []
      const share = given.flowLps / wanted.flowLps
      const whenFull = full.get(tap.id)!
      // By gravity people expect a slow tap, and a slower one as the tank goes down.
      const falls = feedsOf(site).every(feed => feed.lift === 'gravity' || !feed.taps.includes(tap))
      if (share >= WEAK_SHARE || (falls && whenFull.flowLps >= SLOW_SHARE * wanted.flowLps)) return []
      const name = nameOf(site, tap.id)
      return [
        {
          id: `tap-weak:${tap.id}`,
          check: 'tap-weak',
          severity: share < USELESS_SHARE ? 'wrong' : 'look',
          subject: tapSubject(site, tap),
          sentence:
            given.flowLps > 0
              ? say`${name} gives ${flow(given.flowLps)} once the tank is nearly empty, where ${flow(wanted.flowLps)}
                  is wanted.`
              : say`${name} gives nothing once the tank is nearly empty.`,
          why: say`It is made for ${pressure(wanted.pressureKPa)} and has ${pressure(Math.max(0, given.pressureKPa))}
            left, ${pressure(Math.max(0, whenFull.pressureKPa))} while the tanks are full. More height, a wider pipe or
            a pump brings more.`,
          numbers: { flowLps: given.flowLps, wantedLps: wanted.flowLps, pressureKPa: given.pressureKPa },
          mend: widened(site, tap) ?? lifted(site, tap),
        },
      ]
    })
  },
})

/** A tap that hangs on its tank's height alone can have a pump. */
function lifted(site: Site, tap: NodeOf<'tap'>): Finding['mend'] {
  const feed = feedsOf(site).find(each => each.taps.includes(tap))
  if (feed?.source.kind !== 'tank' || feed.lift !== 'gravity' || feed.trunk[0]!.from.node !== feed.source.id)
    return undefined
  return {
    label: 'Put an on-demand pump beside the tank',
    move: moveOf('liftBy', { run: feed.trunk[0]!.id, by: 'on-demand' }),
  }
}

export const tapTooStrong = defineCheck({
  id: 'tap-too-strong',
  step: 'lift',
  harms: 'cost',
  needs: ['site'],
  sound: 'No tap stands under more pressure than fittings bear',
  find: ({ site }) => {
    const still = momentWith(site, [], 'full')
    return tapsOf(site).flatMap((tap): Finding[] => {
      const pressureKPa = still.nodes[tap.id]?.pressureKPa ?? 0
      if (!still.converged || pressureKPa <= MOST_KPA) return []
      const feed = feedsOf(site).find(each => each.taps.includes(tap))
      const overKPa = pressureKPa - MOST_KPA + 50
      const setKPa = feed?.pump?.setKPa
      return [
        {
          id: `tap-too-strong:${tap.id}`,
          check: 'tap-too-strong',
          severity: passedBy(pressureKPa, MOST_KPA),
          subject: tapSubject(site, tap),
          sentence: say`Shut, ${nameOf(site, tap.id)} stands under ${pressure(pressureKPa)}: hoses burst and valves
            of machines wear out.`,
          why: say`Houses are kept under ${pressure(MOST_KPA)}. Set the pump or its switch lower, or fit a valve that
            takes the pressure down where the house begins.`,
          numbers: { pressureKPa },
          mend:
            feed?.pump && setKPa !== undefined && setKPa - overKPa > 50
              ? {
                  label: say`Set the pump to ${pressure(Math.round((setKPa - overKPa) / 10) * 10)}`,
                  move: setField('part', feed.pump.id, 'setKPa', Math.round((setKPa - overKPa) / 10) * 10),
                }
              : feed && regulated(site, feed),
        },
      ]
    })
  },
})

/**
 * A regulator where the house begins: behind what lifts the water and holds it, before the line parts. It is set so that
 * the lowest tap has no more than houses are kept under.
 */
function regulated(site: Site, { trunk, taps }: Feed): Finding['mend'] {
  const run = trunk.at(-1)!
  if (run.parts.some(part => does(part, 'regulates'))) return undefined
  const lifts = run.parts.findLastIndex(part => does(part, 'lifts') || does(part, 'relieves'))
  const before = run.parts.find((part, at) => at > lifts && part.kind === 'pipe')
  const lowestM = Math.min(...taps.map(({ baseM }) => baseM))
  const highestM = Math.max(portHeightM(site, run.from), portHeightM(site, run.to))
  const { pressureKPa: belowKPa } = staticPressure({ headM: Math.max(0, highestM - lowestM) })
  const setKPa = Math.floor((MOST_KPA - SPARE_KPA - belowKPa) / 10) * 10
  if (!before || setKPa < LEAST_SET_KPA) return undefined
  return {
    label: say`Fit a regulator set to ${pressure(setKPa)} where the house begins`,
    move: moveOf('insertPart', {
      run: run.id,
      before: before.id,
      part: { kind: 'regulator', boreMm: boreMm(run), setKPa },
    }),
  }
}

export const pumpNotNeeded = defineCheck({
  id: 'pump-not-needed',
  step: 'lift',
  harms: 'cost',
  needs: ['site'],
  sound: 'No pump lifts what would fall by itself',
  find: ({ site }) =>
    feedsOf(site).flatMap((feed): Finding[] => {
      const { pump, source, trunk, taps } = feed
      if (!pump || source.kind !== 'tank' || feed.vessel) return []
      // Only a tank whose low water stands high enough can do without; the lines are asked where it does.
      const wantedM = Math.max(...taps.map(tap => tap.baseM + headOfPressureM(wantedOf(tap).pressureKPa)))
      if (source.baseM + levelsAt(site, 'low')[source.id]! < wantedM) return []
      const bare: Site = {
        ...site,
        runs: site.runs.map(run => ({
          ...run,
          parts: trunk.includes(run)
            ? run.parts.filter(part => part.kind !== 'pump' && part.kind !== 'check')
            : run.parts,
        })),
      }
      const alone = singleTapFlows(bare, 'low')
      if (!taps.every(tap => alone.get(tap.id)!.flowLps >= wantedOf(tap).flowLps)) return []
      return [
        {
          id: `pump-not-needed:${pump.id}`,
          check: 'pump-not-needed',
          severity: 'look',
          subject: subjectOfRun(site, trunk[0]!),
          sentence: say`${source.name} stands high enough: without its pump its taps still get what they want.`,
          why: say`Even with the tank nearly empty each tap passes what it is made for. A pump less is power, noise and
            a part less that fails.`,
          numbers: { taps: taps.length },
          mend: { label: 'Let it fall by itself', move: moveOf('liftBy', { run: trunk[0]!.id, by: 'gravity' }) },
        },
      ]
    }),
})
