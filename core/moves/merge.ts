import { takeOutStranded } from './takeOut'
import { defineMove, required, Impossible, takeOut, toThousandth } from './move'
import { freshPort } from './joins'
import { tankHeight } from '../sums'
import { nameOf, portsByRole, runsFrom, type Run } from '../site'
import type { Port, Tank } from '../kinds'
import { z } from 'zod'

/**
 * Takes a tank out and leads its lines to another: what filled it fills the other, what drew from it draws from the
 * other, at the same
 * height as far as that is within the wall. Lines between the two go, and so does an overflow the other has already.
 */
export const mergeTank = defineMove({
  args: z.object({ tank: z.string(), into: z.string() }),
  label: ({ tank, into }, site) => `Take ${nameOf(site, tank)} out, its lines to ${nameOf(site, into)}`,
  apply(site, { tank, into }) {
    if (tank === into) throw new Impossible('A tank cannot take over its own lines.')
    const [gone, kept] = [required(site, tank, 'tank'), required(site, into, 'tank')]
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
      } else lead(end, gone, kept, port)
    }
    if (gone.reserveL && !kept.reserveL) kept.reserveL = gone.reserveL
    if (gone.carted && !kept.carted) kept.carted = gone.carted
    takeOut(site, gone.id)
    for (const id of ends) takeOutStranded(site, id)
  },
})

function lead(end: Run['from'], gone: Tank, kept: Tank, port: Port): void {
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
