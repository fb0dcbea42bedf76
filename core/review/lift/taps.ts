import { defineCheck, nodeSubject, runSubject, type Finding } from '../finding'
import { flow, length, pipeSize, pressure, say, speed } from '../../words'
import { moveOf, nextBoreMm, setField } from '../../moves'
import { headOfPressureM } from '../../sums'
import { airAt, levelsAt, momentWith, tapsAlone, tapsOf, wayOfWater, type Air } from '../../network'
import { feedsOf, graphOf, nameOf, runName, type Site } from '../../site'
import { FIXTURES } from '../../catalog'
import type { NodeOf } from '../../kinds'

/** Under this share of what it is made for a tap is felt to be weak; under the next it is no use. */
const [WEAK_SHARE, USELESS_SHARE] = [0.7, 0.35]
/** Above this, fittings and hoses suffer. */
const MOST_KPA = 550
const FAST_MPS = 2

const wantedOf = (tap: NodeOf<'tap'>) => ({
  flowLps: tap.ratedLps ?? FIXTURES[tap.fixture].ratedLps,
  pressureKPa: tap.ratedKPa ?? FIXTURES[tap.fixture].ratedKPa,
})
const tapSubject = (site: Site, { id }: NodeOf<'tap'>) => nodeSubject({ id, name: nameOf(site, id) })
const isServed = (site: Site, { id }: NodeOf<'tap'>) => graphOf(site).into(id).length > 0

/** The stretch of a tap's way that takes most, where a wider pipe would help. */
function widened(site: Site, tap: NodeOf<'tap'>): Finding['mend'] {
  const { moment } = tapsAlone(site, 'full').get(tap.id)!
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
  needs: ['site'],
  sound: 'Every tap has the flow it is made for, even when the tanks are nearly empty',
  find: ({ site }) => {
    const [low, full] = [tapsAlone(site, 'low'), tapsAlone(site, 'full')]
    return tapsOf(site).flatMap((tap): Finding[] => {
      const wanted = wantedOf(tap)
      const given = low.get(tap.id)!
      // A drip below its emitters' pressure has a finding of its own; a float on a trough waits.
      if (!isServed(site, tap) || tap.fixture === 'drip' || !given.moment.converged) return []
      const share = given.flowLps / wanted.flowLps
      const whenFull = full.get(tap.id)!
      // By gravity people expect a slow tap, and a slower one as the tank goes down.
      const falls = feedsOf(site).every(feed => feed.lift === 'gravity' || !feed.taps.includes(tap))
      if (share >= WEAK_SHARE || (falls && whenFull.flowLps >= USELESS_SHARE * wanted.flowLps)) return []
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
          severity: 'wrong',
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
              : undefined,
        },
      ]
    })
  },
})

export const waterTooFast = defineCheck({
  id: 'water-too-fast',
  step: 'lift',
  needs: ['site'],
  sound: 'Water runs quietly in every pipe',
  find: ({ site }) => {
    const fastest = new Map<string, number>()
    for (const { moment } of new Set(tapsAlone(site, 'full').values()))
      for (const [id, { velocityMps }] of Object.entries(moment.runs))
        fastest.set(id, Math.max(fastest.get(id) ?? 0, velocityMps))
    return site.runs.flatMap((run): Finding[] => {
      const velocityMps = fastest.get(run.id) ?? 0
      const pipe = run.parts.find(part => part.kind === 'pipe')
      if (velocityMps <= FAST_MPS || !pipe) return []
      const boreMm = nextBoreMm(pipe.innerDiameterMm)
      return [
        {
          id: `water-too-fast:${run.id}`,
          check: 'water-too-fast',
          severity: 'look',
          subject: runSubject(site, run),
          sentence: say`Water runs at ${speed(velocityMps)} in “${runName(site, run)}”: it hisses, and a tap shut
            quickly hammers.`,
          why: say`Above ${speed(FAST_MPS)} pipes are loud, friction eats the pressure, and each quick shut-off strikes
            the line. One size wider brings it down.`,
          numbers: { velocityMps, boreMm: pipe.innerDiameterMm },
          mend: {
            label: say`Lay it in ${pipeSize(boreMm)}`,
            move: moveOf('setBore', { runs: [run.id], boreMm }),
          },
        },
      ]
    })
  },
})

export const airInLine = defineCheck({
  id: 'air-in-line',
  step: 'lift',
  needs: ['site'],
  sound: 'The pressure stands above every pipe',
  find: ({ site }) => {
    const moments = new Set([...tapsAlone(site, 'low').values()].map(({ moment }) => moment))
    const lowest = new Map<string, Air>()
    for (const moment of moments)
      for (const air of airAt(site, moment))
        if (air.pressureKPa < (lowest.get(air.id)?.pressureKPa ?? 0)) lowest.set(air.id, air)
    return [...lowest.values()].map(({ id, on, pressureKPa }): Finding => {
      const name = nameOf(site, id)
      const where = on ? say`At ${length(on.heightM)} along “${runName(site, on.run)}”` : say`At ${name}`
      return {
        id: `air-in-line:${id}`,
        check: 'air-in-line',
        severity: 'wrong',
        subject: on ? runSubject(site, on.run) : nodeSubject({ id, name }),
        sentence: [
          ...where,
          ...say` the pressure falls ${pressure(-pressureKPa)} below the air’s: air is drawn in there, and the line stops.`,
        ],
        why: say`The line of pressure runs below the pipe there while a tap is open. Lower that place, lay what leads to
          it wider, or open less behind it.`,
        numbers: { pressureKPa },
      }
    })
  },
})

export const humpWithoutVent = defineCheck({
  id: 'hump-without-vent',
  step: 'lift',
  needs: ['site'],
  sound: 'No line that falls from a tank humps without a vent',
  find: ({ site }) =>
    feedsOf(site)
      .filter(feed => feed.lift === 'gravity' && feed.source.kind === 'tank')
      .flatMap(feed => humpsOf(site, feed)),
})

/** Rises of this much along a line hold air. */
const HUMP_M = 0.1
const VENT_OVER_M = 0.3

function humpsOf(site: Site, { source, trunk }: ReturnType<typeof feedsOf>[number]): Finding[] {
  if (source.kind !== 'tank') return []
  const graph = graphOf(site)
  const topM = source.baseM + Math.max(...source.ports.map(port => port.heightM))
  return trunk.flatMap((run, at): Finding[] => {
    const humps = (run.profile ?? []).filter((place, index, all) => {
      const before = index ? all[index - 1]!.heightM : graph.node(run.from.node)!.baseM
      const after = all[index + 1]?.heightM ?? graph.node(run.to.node)!.baseM
      return place.heightM > before + HUMP_M && place.heightM > after + HUMP_M
    })
    const joint = graph.node(run.to.node)
    const next = trunk[at + 1]
    const jointHumps =
      joint?.kind === 'joint' &&
      next !== undefined &&
      joint.baseM > graph.node(run.from.node)!.baseM + HUMP_M &&
      joint.baseM > graph.node(next.to.node)!.baseM + HUMP_M
    const found = humps.map((place): Finding => ({
      id: `hump-without-vent:${place.id}`,
      check: 'hump-without-vent',
      severity: 'look',
      subject: runSubject(site, run),
      sentence: say`“${runName(site, run)}” rises to ${length(place.heightM)} on its way: air gathers there and chokes it.`,
      why: say`It falls again behind that. Lay it falling all the way, or stand a vent pipe there that is higher than the
        top of the tank, ${length(topM)}: it cannot overflow, and lets the air out.`,
      numbers: { heightM: place.heightM, topM },
      mend: {
        label: 'Lay it without the hump',
        move: moveOf('shapeRun', { run: run.id, places: run.profile!.filter(each => each.id !== place.id) }),
      },
    }))
    if (!jointHumps || joint.kind !== 'joint' || (joint.ventTopM ?? -Infinity) > topM) return found
    const ventTopM = Math.round((topM + VENT_OVER_M) * 100) / 100
    const name = nameOf(site, joint.id)
    return [
      ...found,
      {
        id: `hump-without-vent:${joint.id}`,
        check: 'hump-without-vent',
        severity: 'look',
        subject: nodeSubject({ id: joint.id, name }),
        sentence:
          joint.ventTopM === undefined
            ? say`The line humps at ${name} and has no vent there: air gathers and chokes it.`
            : say`The vent at ${name} ends lower than the top of ${source.name}: a full tank runs out of it.`,
        why: say`A vent pipe that stands higher than the top of the tank, ${length(topM)}, lets the air out and cannot
          overflow.`,
        numbers: { heightM: joint.baseM, topM },
        mend: {
          label: say`Stand a vent pipe there, up to ${length(ventTopM)}`,
          move: setField('node', joint.id, 'ventTopM', ventTopM),
        },
      },
    ]
  })
}

export const pumpNotNeeded = defineCheck({
  id: 'pump-not-needed',
  step: 'lift',
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
      const alone = tapsAlone(bare, 'low')
      if (!taps.every(tap => alone.get(tap.id)!.flowLps >= wantedOf(tap).flowLps)) return []
      return [
        {
          id: `pump-not-needed:${pump.id}`,
          check: 'pump-not-needed',
          severity: 'look',
          subject: runSubject(site, trunk[0]!),
          sentence: say`${source.name} stands high enough: without its pump its taps still get what they want.`,
          why: say`Even with the tank nearly empty each tap passes what it is made for. A pump less is power, noise and
            a part less that fails.`,
          numbers: { taps: taps.length },
          mend: { label: 'Let it fall by itself', move: moveOf('liftBy', { run: trunk[0]!.id, by: 'gravity' }) },
        },
      ]
    }),
})
