import { z } from 'zod'
import { defineMove, Impossible, needRun } from '../move'
import { runName } from '../../site'
import { layIn } from '../../kinds'
import { PIPE_SERIES_IDS, pipeSeries, sizeName } from '../../catalog'

/** Lays a line in pipe of a series and a size of it, with its true inner diameter and roughness. */
export const layPipe = defineMove({
  args: z.object({ run: z.string(), series: z.enum(PIPE_SERIES_IDS), size: z.string().max(20) }),
  label: ({ run, series, size }, site) => {
    const found = site.runs.find(each => each.id === run)
    return `Lay ${found ? `“${runName(site, found)}”` : 'a line'} in ${sizeName(size, site.standards.units)} ${pipeSeries(series).name}`
  },
  apply(site, { run: id, series, size }) {
    const run = needRun(site, id)
    const { name, roughnessMm, sizes } = pipeSeries(series)
    const sold = sizes.find(each => each.size === size)
    if (!sold) throw new Impossible(`${name} is not sold in ${size}; choose another size.`)
    for (const part of run.parts) {
      layIn(part, sold.innerMm)
      if (part.kind === 'pipe') Object.assign(part, { series, roughnessMm })
    }
  },
})
