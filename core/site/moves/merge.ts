import { tankHeight } from '../../sums'
import { z } from 'zod'
import { portsByRole, runsFrom } from '../ports'
import type { Port, Run, Tank } from '../schema'
import { freshPort } from './joins'
import { defineMove, nameOf, need, Refusal, takeOut, toThousandth } from './move'


/**
 * Takes a tank out and leads its lines to another: what filled it fills the other, what drew from it draws from the other, at the same
 * height as far as that is within the wall. Lines between the two go, and so does an overflow the other has already.
 */
export const mergeTank = defineMove({
  args: z.object({ tank: z.string(), into: z.string() }),
  label: ({ tank, into }, site) => `Take ${nameOf(site, tank)} out, its lines to ${nameOf(site, into)}`,
  apply(site, { tank, into }) {
    if (tank === into) throw new Refusal('A tank cannot take over its own lines.')
    const [gone, kept] = [need(site, tank, 'tank'), need(site, into, 'tank')]
    const spills = portsByRole(kept, 'overflow').some(port => runsFrom(site, kept.id, port.name).length)
    const ends = new Set<string>()
    for (const run of [...site.runs]) {
      const end = run.from.node === gone.id ? run.from : run.to.node === gone.id ? run.to : undefined
      if (!end) continue
      const port = gone.ports.find(candidate => candidate.name === end.port)!
      const between = [run.from.node, run.to.node].includes(kept.id)
      if (between || (port.role === 'overflow' && spills)) {
        ends.add(run.to.node)
        site.runs = site.runs.filter(other => other !== run)
      }
      else lead(run, end, gone, kept, port)
    }
    if (gone.reserveL && !kept.reserveL) kept.reserveL = gone.reserveL
    if (gone.carted && !kept.carted) kept.carted = gone.carted
    takeOut(site, gone.id)
    for (const id of ends) if (site.nodes.some(node => node.id === id && node.kind === 'outfall') && !site.runs.some(run => run.to.node === id)) takeOut(site, id)
  },
})

function lead(run: Run, end: Run['from'], gone: Tank, kept: Tank, port: Port): void {
  run.name = run.name.replace(gone.name, kept.name)
  end.node = kept.id
  const own = port.role === 'overflow' ? portsByRole(kept, 'overflow')[0] : undefined
  if (own) {
    own.boreMm = port.boreMm
    end.port = own.name
    return
  }
  const top = tankHeight(kept.shape)
  const heightM = Math.min(top * 0.97, Math.max(Math.min(0.1, top * 0.08), gone.baseM + port.heightM - kept.baseM))
  const fitted: Port = { ...port, name: freshPort(kept, port.name), heightM: toThousandth(heightM) }
  delete fitted.spare
  kept.ports.push(fitted)
  end.port = fitted.name
}
