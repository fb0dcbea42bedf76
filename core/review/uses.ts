import { pathsFrom } from '../balance'
import { ROOFING } from '../catalog'
import { moveOf, nodeById, portHeightM, runsTo, tanksOf, type Roof, type Site } from '../site'
import type { Check } from './finding'
import { length, say } from './phrase'

export const untreatedDrinking: Check = {
  id: 'untreated-drinking',
  sound: 'Nothing is drunk untreated',
  find: ({ site }) => site.uses.filter(use => use.quality === 'drinking').flatMap((use) => {
    const lines = tanksOf(site).flatMap(tank => pathsFrom(site, tank.id)).filter(path => path.end.id === use.at)
    const bare = lines.find((path) => {
      const parts = path.runs.flatMap(run => run.parts)
      return !(parts.some(part => part.kind === 'filter') && parts.some(part => part.kind === 'lamp'))
    })
    if (!bare) return []
    return [{
      id: `untreated-drinking:${use.id}`, check: 'untreated-drinking', severity: 'wrong' as const, subject: { kind: 'use' as const, id: use.id, name: use.name },
      sentence: say`${use.name} is meant for drinking, and the water comes to it untreated.`,
      why: say`Roof and well water can carry germs. Drinking wants filters of 20 and 5 µm, carbon, and ultraviolet light with a sensor, each rated for the flow. Local code and a licensed trade decide; test the water.`,
      numbers: {},
      mend: { label: 'Fit filters, carbon and a lamp', move: moveOf('fitTreatment', { tap: use.at }) },
    }]
  }),
}

/** Roofs whose water can reach a drinking tap. */
function drunkRoofs(site: Site): { roof: Roof, caution: string }[] {
  if (!site.uses.some(use => use.quality === 'drinking')) return []
  return site.roofs.flatMap((roof) => {
    const caution = ROOFING[roof.material].drinkingCaution
    return caution ? [{ roof, caution }] : []
  })
}

export const roofUnfitToDrink: Check = {
  id: 'roof-unfit-to-drink',
  sound: 'No roof spoils the drinking water',
  find: ({ site }) => drunkRoofs(site).map(({ roof, caution }) => ({
    id: `roof-unfit-to-drink:${roof.id}`, check: 'roof-unfit-to-drink', severity: 'look', subject: { kind: 'roof', id: roof.id, name: roof.name },
    sentence: say`Water off ${roof.name} is doubtful for drinking.`,
    why: say`It is ${ROOFING[roof.material].name}: ${caution}. Filters and a lamp do not take that out; test the water or drink from another roof.`,
    numbers: {},
  })),
}

export const useWithoutSupply: Check = {
  id: 'use-without-supply',
  sound: 'Water can reach every use',
  find: ({ site, pools, compiled }) => compiled.demands.flatMap((demand) => {
    const use = site.uses.find(candidate => candidate.id === demand.id)!
    const subject = { kind: 'use' as const, id: use.id, name: use.name }
    if (!demand.sources.length) {
      const feeds = runsTo(site, use.at).length
      return [{
        id: `use-without-supply:${use.id}`, check: 'use-without-supply', severity: 'wrong' as const, subject,
        sentence: say`No water reaches ${use.name}.`, why: feeds ? say`A shut valve or a missing run cuts its line off from every tank.` : say`No line leads to its tap.`, numbers: {},
      }]
    }
    const dry = demand.sources.find(source => source.kind === 'pool' && source.keepL >= pools[source.index]!.capL - 1)
    if (!dry || demand.sources.some(source => source !== dry)) return []
    const pool = pools[dry.index]!
    const tapM = nodeById(site, use.at).baseM
    return [{
      id: `use-without-supply:${use.id}`, check: 'use-without-supply', severity: 'wrong' as const, subject,
      sentence: say`${use.name} gets nothing: even a full ${pool.name} stands lower than its tap.`,
      why: say`The tap is at ${length(tapM)}, the full water at ${length(pool.capM)}, and no pump lifts it.`,
      numbers: { tapM, fullM: pool.capM },
      mend: liftMend(site, use.at, pool.tanks[0]!.id),
    }]
  }),
}

/** A pump goes just behind the outlet's valve of the line from the tank. */
function liftMend(site: Site, tap: string, tank: string) {
  const run = runsTo(site, tap).find(candidate => candidate.from.node === tank)
  if (!run) return undefined
  const liftM = Math.max(1, nodeById(site, tap).baseM - portHeightM(site, run.from))
  return { label: 'Put a pump in the line', move: moveOf('insertPart', { run: run.id, at: Math.min(1, run.parts.length), part: { kind: 'pump', pump: 'on-demand', flowLps: 0.3, headM: Math.ceil(liftM + 15) } }) }
}
