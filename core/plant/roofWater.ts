import { compile } from '../balance'
import { roofLines } from '../network'
import type { Site } from '../site'

/** Water of the roofs while it rains so hard, L/s. */
export interface RoofFlows {
  /** Into each tank, by its id; and into each chamber, by its place. */
  intoTanks: Map<string, number>
  intoChambers: Float64Array
  /** Over gutters and heads, or by-passed to the ground. */
  awayLps: number
  /** All that runs off roofs. */
  yieldLps: number
}

interface Chamber {
  id: string
  capL: number
  /** Seconds that a full one takes to run out by its outlet; never, where it has none. */
  emptiesS: number
  heldL: number
  /** A ball that stuck keeps it shut. */
  shut: boolean
}
interface Catch {
  lpsPerMm: number
  wettingMm: number
  wetMm: number
  spillsAtMmPerH: number
  chambers: number[]
  tankId: string | undefined
  bypassed: boolean
}

/** Seconds that what flows off roofs is looked at for at once: at most, and at least. */
const [MOST_S, LEAST_S] = [900, 0.01]
/** A chamber runs out by so much of what it holds at once; of less than this nobody cares. */
const [SHARE, LEAST_L] = [0.05, 0.01]

/**
 * Roofs and first-flush chambers as rain falls: first it wets them, then it fills the chambers, and then it comes to the
 * tanks. What gutters and lines cannot take spills there.
 */
export function roofWater(site: Site, month: number | undefined) {
  const { caught, chambers: known, pools } = compile(site)
  const chambers = known.map(({ id, capL, drainHours }): Chamber => ({
    id,
    capL,
    emptiesS: drainHours * 3600,
    heldL: 0,
    shut: false,
  }))
  const tankOf = new Map(
    site.nodes.filter(node => node.kind === 'spout').map(spout => [spout.id, endOf(site, spout.id)]),
  )
  const catches = caught.map((each): Catch => ({
    lpsPerMm: (each.areaM2 * each.runoffCoefficient * each.captureShare) / 3600,
    wettingMm: each.wettingLossMm,
    wetMm: 0,
    spillsAtMmPerH: each.spillsAtMmPerH,
    chambers: each.chambers,
    tankId: each.pool < 0 ? undefined : (tankOf.get(each.spoutId) ?? pools[each.pool]!.tanks[0]!.id),
    bypassed: month !== undefined && Boolean(each.bypassMonths & (1 << (month - 1))),
  }))

  /** What a chamber loses by its outlet, L/s: it empties as water falls through a hole. */
  const drainsLps = ({ capL, emptiesS, heldL }: Chamber) =>
    Number.isFinite(emptiesS) && heldL > 0 ? (2 / emptiesS) * Math.sqrt(capL * heldL) : 0

  const isFull = ({ heldL, capL }: Chamber) => heldL >= capL - 1e-9

  /** What flows as roofs and chambers are now. */
  function flows(mmPerH: number): RoofFlows {
    const now: RoofFlows = {
      intoTanks: new Map(),
      intoChambers: new Float64Array(chambers.length),
      awayLps: 0,
      yieldLps: 0,
    }
    for (const each of catches) {
      if (each.wetMm < each.wettingMm || mmPerH <= 0) continue
      const yieldLps = each.lpsPerMm * mmPerH
      let comesLps = each.bypassed ? 0 : each.lpsPerMm * Math.min(mmPerH, each.spillsAtMmPerH)
      now.yieldLps += yieldLps
      now.awayLps += yieldLps - comesLps
      for (const at of each.chambers) {
        const chamber = chambers[at]!
        if (chamber.shut) continue
        // A full chamber takes no more than its outlet lets go.
        const takesLps = isFull(chamber)
          ? Math.min(comesLps, Math.max(0, drainsLps(chamber) - now.intoChambers[at]!))
          : comesLps
        now.intoChambers[at]! += takesLps
        comesLps -= takesLps
      }
      if (each.tankId === undefined) now.awayLps += comesLps
      else now.intoTanks.set(each.tankId, (now.intoTanks.get(each.tankId) ?? 0) + comesLps)
    }
    return now
  }

  return {
    chambers,
    flows,
    /** For how long what flows now goes on so: until a roof is wet, or a chamber full or much emptier. */
    holdsS(mmPerH: number): number {
      let seconds = MOST_S
      if (mmPerH > 0)
        for (const each of catches)
          if (each.wetMm < each.wettingMm) seconds = Math.min(seconds, ((each.wettingMm - each.wetMm) / mmPerH) * 3600)
      const { intoChambers } = flows(mmPerH)
      chambers.forEach((chamber, at) => {
        const drains = drainsLps(chamber)
        const gains = intoChambers[at]! - drains
        if (gains > 0 && !isFull(chamber)) seconds = Math.min(seconds, (chamber.capL - chamber.heldL) / gains)
        // An outlet's flow falls as its chamber empties: a twentieth at a time is near enough.
        else if (drains > 0 && chamber.heldL > LEAST_L)
          seconds = Math.min(seconds, Math.max(1, (SHARE * chamber.heldL) / drains))
      })
      return Math.max(LEAST_S, seconds)
    },
    /** Lets it rain on for some seconds; litres that ran out of chambers by their outlets. */
    pass(mmPerH: number, seconds: number): number {
      const { intoChambers } = flows(mmPerH)
      if (mmPerH > 0)
        for (const each of catches)
          each.wetMm = Math.min(each.wettingMm, each.wetMm + (mmPerH * seconds) / 3600 + 1e-12)
      let outL = 0
      chambers.forEach((chamber, at) => {
        const inL = intoChambers[at]! * seconds
        const drainsL = Math.min(chamber.heldL + inL, drainsLps(chamber) * seconds)
        // What its last drops would be over is gone too.
        const over = Math.max(0, chamber.heldL + inL - drainsL - chamber.capL)
        chamber.heldL += inL - drainsL - over
        outL += drainsL + over
      })
      return outL
    },
  }
}
export type RoofWater = ReturnType<typeof roofWater>

/** The tank that a spout's line ends at. */
function endOf(site: Site, spoutId: string): string | undefined {
  const { tankId } = roofLines(site).find(({ spout }) => spout.id === spoutId) ?? {}
  return tankId
}
