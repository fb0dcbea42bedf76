import { defineCheck, subjectOfRun, type Finding } from '../finding'
import { flow, listed, say } from '../../words'
import { moveOf, setField } from '../../moves'
import { forgottenValves, handValves, leaningModes, servedInMode, stalledPumps } from '../../network'
import { fillingsOf, graphOf, nameOf, runName, type Mode, type Run, type Site } from '../../site'
import { does } from '../../kinds'

const siteSubject = (site: Site): Finding['subject'] => ({ kind: 'site', id: site.id, name: site.name })

export const modeServesNobody = defineCheck({
  id: 'mode-serves-nobody',
  step: 'reach',
  harms: 'season',
  needs: ['site'],
  sound: 'Every way of running it brings water somewhere',
  find: ({ site }) =>
    site.modes.flatMap((mode): Finding[] => {
      const { taps, tanks } = servedInMode(site, mode)
      if (taps.length || tanks.length || shutsOff(site, mode)) return []
      return [
        {
          id: `mode-serves-nobody:${mode.id}`,
          check: 'mode-serves-nobody',
          severity: 'look',
          subject: siteSubject(site),
          sentence: say`In “${mode.name}” no tap gets water and no tank is filled.`,
          why: say`With its valves as they are named, every tap open and all pumps running, nothing flows anywhere.`,
          numbers: { taps: 0, tanks: 0 },
          mend: { label: 'Forget it', move: moveOf('dropMode', { mode: mode.id }) },
        },
      ]
    }),
})

/** A tank that is cleaned serves nobody, and is meant not to: all that is named stands shut at one tank. */
function shutsOff(site: Site, mode: Mode): boolean {
  if (mode.positions.some(({ open }) => open)) return false
  const at = mode.positions.map(({ part }) => {
    const run = graphOf(site).runWith(part)
    return run ? [run.from.node, run.to.node] : []
  })
  const [first = []] = at
  return first.some(id => graphOf(site).node(id)?.kind === 'tank' && at.every(ends => ends.includes(id)))
}

export const valveInNoMode = defineCheck({
  id: 'valve-in-no-mode',
  step: 'reach',
  harms: 'cost',
  needs: ['site'],
  sound: 'Every hand valve has its place in the ways of running it',
  find: ({ site }): Finding[] => {
    if (site.modes.length < 2) return []
    const named = new Set(site.modes.flatMap(({ positions }) => positions.map(({ part }) => part)))
    // A tap's own shut-off stands as it is, whatever runs.
    const left = handValves(site).filter(
      ({ run, valve }) => !named.has(valve.id) && graphOf(site).node(run.to.node)?.kind !== 'tap',
    )
    const [first] = left
    if (!first) return []
    const names = listed([...new Set(left.map(({ run }) => `“${runName(site, run)}”`))])
    const [mode] = site.modes as [Mode]
    const positions = left.map(({ valve: { id, open } }) => ({ part: id, open }))
    return [
      {
        id: 'valve-in-no-mode',
        check: 'valve-in-no-mode',
        severity: 'look',
        subject: subjectOfRun(site, first.run),
        sentence:
          left.length === 1
            ? say`No way of running it says how the valve in ${names} stands.`
            : say`No way of running it says how ${left.length} valves stand, in ${names}.`,
        why: say`A valve that the card does not name is turned by somebody, one day, and then forgotten.`,
        numbers: { valves: left.length },
        mend: {
          label: `Name them in “${mode.name}”, as they stand`,
          move: moveOf('setPositions', { mode: mode.id, positions }),
        },
      },
    ]
  },
})

export const modeLeans = defineCheck({
  id: 'mode-leans',
  step: 'reach',
  harms: 'season',
  needs: ['site'],
  sound: 'No way of running it depends on how another left a valve',
  find: ({ site }) =>
    leaningModes(site).map(({ mode, after, valve, open, lost }): Finding => {
      const run = graphOf(site).runWith(valve)!
      const wanted = open ? 'open' : 'shut'
      return {
        id: `mode-leans:${mode.id}:${after.id}:${valve}`,
        check: 'mode-leans',
        severity: 'look',
        subject: subjectOfRun(site, run),
        sentence: say`“${mode.name}” needs the valve in “${runName(site, run)}” ${wanted} and does not say so, and
          “${after.name}” leaves it ${open ? 'shut' : 'open'}.`,
        why: say`Turned from one to the other by the card, ${listed(lost.map(id => nameOf(site, id)))} would get nothing,
          and the card would not say why.`,
        numbers: { lost: lost.length },
        mend: {
          label: `Name it ${wanted} in “${mode.name}”`,
          move: moveOf('setPositions', { mode: mode.id, positions: [{ part: valve, open }] }),
        },
      }
    }),
})

export const valveForgotten = defineCheck({
  id: 'valve-forgotten',
  step: 'reach',
  harms: 'season',
  needs: ['site'],
  sound: 'No single valve that is forgotten empties a tank or stalls a pump',
  find: ({ site }) =>
    forgottenValves(site).map(({ mode, valve, open, what, id, flowLps }): Finding => {
      const run = graphOf(site).runWith(valve)!
      const left = `left ${open ? 'open' : 'shut'}`
      return {
        id: `valve-forgotten:${mode.id}:${valve}`,
        check: 'valve-forgotten',
        severity: 'look',
        subject: subjectOfRun(site, run),
        sentence:
          what === 'empties'
            ? say`In “${mode.name}” the valve in “${runName(site, run)}”, ${left}, empties ${nameOf(site, id)} at
              ${flow(flowLps)}.`
            : say`In “${mode.name}” the valve in “${runName(site, run)}”, ${left}, leaves a pump working against a wall.`,
        why:
          what === 'empties'
            ? say`It is the one valve between the tank and the ground. A cap on its end, or a handle taken off, costs less
              than the water.`
            : say`With nowhere to go the water in the pump heats, and its seals with it. A pressure switch or a relief valve
              ends that; hang a tag on the handle.`,
        numbers: { flowLps },
      }
    }),
})

export const modeStalls = defineCheck({
  id: 'mode-stalls',
  step: 'reach',
  harms: 'season',
  needs: ['site'],
  sound: 'No way of running it shuts every way out of a pump that starts by itself',
  find: ({ site }) =>
    stalledPumps(site).map(({ mode, run, pump }): Finding => ({
      id: `mode-stalls:${mode.id}:${pump.id}`,
      check: 'mode-stalls',
      severity: 'look',
      subject: subjectOfRun(site, run),
      sentence: say`In “${mode.name}” the pump of “${runName(site, run)}” starts by its level switch, and every way out of
        it stands shut.`,
      why: say`It works against a wall until its seals go. Switch it off before the valves are turned, and write that on
        the card; or give it a switch that feels that nothing flows.`,
      numbers: {},
      // Without a float to stop the water a pump that feels the flow alone would never stop.
      ...(fillsByFloat(site, run)
        ? {
            mend: {
              label: 'Give it a switch that feels the flow',
              move: setField('part', pump.id, 'switchedBy', 'flow-switch'),
            },
          }
        : {}),
    })),
})

const fillsByFloat = (site: Site, pumped: Run): boolean =>
  fillingsOf(site).some(
    ({ runs }) => runs.includes(pumped) && runs.at(-1)!.parts.some(part => does(part, 'stops when full')),
  )
