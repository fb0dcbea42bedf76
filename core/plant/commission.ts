import { pumpControls } from './switches'
import { handValves, singleTapFlows, tapsOf } from '../network'
import {
  floatShutsM,
  graphOf,
  nameOf,
  overflowsOf,
  PIN_KIND,
  pinName,
  pinsOf,
  runName,
  tanksOf,
  type Site,
} from '../site'

/** When a line of the card is looked at: empty, a little filled, full, or running. */
export const STAGES = ['dry', 'little', 'full', 'running'] as const
export type StageId = (typeof STAGES)[number]

/** A line of the commissioning card: what is looked at, and what the plant says is to be found. */
export interface CardLine {
  id: string
  stage: StageId
  words: string
  /** The figure to expect; without one it is looked at and is well, or not. */
  expect?: { value: number; kind: 'length' | 'pressure' | 'flow' }
}

/** How far from what was expected a figure may be found, as a share and at least. */
const MAY_DIFFER = { length: [0.03, 0.02], pressure: [0.1, 10], flow: [0.2, 0.02] } as const

/** True where what was found is what was to be expected. */
export function isAsExpected({ value, kind }: NonNullable<CardLine['expect']>, found: number): boolean {
  const [share, least] = MAY_DIFFER[kind]
  return Math.abs(found - value) <= Math.max(least, share * Math.abs(value))
}

/** The card by which a site is first filled: a little, look, tighten, fill; then each thing with the figure to expect. */
export function commissionCard(site: Site): CardLine[] {
  const alone = singleTapFlows(site, 'full')
  const dry = handValves(site).map(({ run, valve }): CardLine => ({
    id: `turns:${valve.id}`,
    stage: 'dry',
    words: `The valve in “${runName(site, run)}” turns, shuts and opens`,
  }))
  const little = tanksOf(site).map((tank): CardLine => ({
    id: `tight:${tank.id}`,
    stage: 'little',
    words: `${tank.name}, filled a hand’s breadth over its lowest hole: every fitting dry on the outside, else tightened`,
  }))
  const checks = site.runs.flatMap(run =>
    run.parts.flatMap((part): CardLine[] =>
      part.kind === 'check'
        ? [
            {
              id: `holds:${part.id}`,
              stage: 'running',
              words: `The check valve in “${runName(site, run)}” holds: nothing runs back`,
            },
          ]
        : [],
    ),
  )
  const floats = site.runs.flatMap((run): CardLine[] => {
    const shutsM = floatShutsM(site, run)
    const tank = graphOf(site).node(run.to.node)
    if (shutsM === undefined || !tank) return []
    const expect = { value: shutsM - tank.baseM, kind: 'length' as const }
    return [
      {
        id: `float:${run.id}`,
        stage: 'full',
        words: `The float of ${nameOf(site, tank.id)} shuts, water over its floor`,
        expect,
      },
    ]
  })
  const overflows = tanksOf(site).flatMap((tank): CardLine[] => {
    const [overflow] = overflowsOf(site, tank)
    if (!overflow) return []
    const expect = { value: overflow.runsAtM - tank.baseM, kind: 'length' as const }
    return [
      {
        id: `spills:${tank.id}`,
        stage: 'full',
        words: `${tank.name} runs over by its overflow, water over its floor`,
        expect,
      },
    ]
  })
  const vessels = site.nodes.flatMap((node): CardLine[] =>
    node.kind === 'pressureTank'
      ? (
          [
            ['gas', 'dry', 'its gas, with no water in it', node.prechargeKPa],
            ['in', 'running', 'the pump starts', node.cutInKPa],
            ['out', 'running', 'the pump stops', node.cutOutKPa],
          ] as const
        ).map(([id, stage, words, value]) => ({
          id: `${id}:${node.id}`,
          stage,
          words: `${node.name}: ${words}`,
          expect: { value, kind: 'pressure' as const },
        }))
      : [],
  )
  const pumps = pumpControls(site).map(({ run }): CardLine => ({
    id: `pump:${run.id}`,
    stage: 'running',
    words: `The pump of “${runName(site, run)}” starts, and stops by itself`,
  }))
  const taps = tapsOf(site).map(({ id }): CardLine => ({
    id: `gives:${id}`,
    stage: 'running',
    words: `${nameOf(site, id)}, alone`,
    expect: { value: alone.get(id)!.flowLps, kind: 'flow' },
  }))
  const pinned = pinsOf(site).flatMap((pin): CardLine[] => {
    if (pin.shows === undefined) return []
    const expect = { value: pin.shows, kind: PIN_KIND[pin.reads] }
    return [{ id: `pin:${pin.id}`, stage: 'running', words: `${pinName(site, pin)}, as it was kept`, expect }]
  })
  const lines = [...dry, ...vessels, ...little, ...overflows, ...floats, ...pumps, ...checks, ...taps, ...pinned]
  return STAGES.flatMap(stage => lines.filter(each => each.stage === stage))
}
