import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { writeSite } from '#core/site'
import { isoDate } from '#core/climate'

/** Files out: the site in its own format, and the shown year's days as a table. */
export function useFiles() {
  const store = useSite()
  const results = useResults()

  function save(name: string, type: string, content: string): void {
    const url = URL.createObjectURL(new Blob([content], { type }))
    const link = Object.assign(document.createElement('a'), { href: url, download: name })
    link.click()
    setTimeout(() => URL.revokeObjectURL(url), 1000)
  }
  const stem = () =>
    store
      .site!.name.toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'site'

  function exportSite(): void {
    save(`${stem()}.tallcask.json`, 'application/json', writeSite(store.site!))
  }

  async function exportDays(): Promise<void> {
    const { outlook, year } = results
    if (!outlook || !year) return
    const { run } = outlook
    const round = (value: number) => Math.round(value * 1000) / 1000
    const rows = Array.from({ length: year.to - year.from }, (_, offset) => {
      const day = year.from + offset
      return {
        date: isoDate(outlook.startDay + day),
        rain_mm: round(outlook.rainMm[day]!),
        held_L: round(run.storedL[day]!),
        asked_L: round(run.askedL[day]!),
        met_L: round(run.askedL[day]! - run.shortL[day]!),
        short_L: round(run.shortL[day]!),
        caught_L: round(run.caughtL[day]!),
        first_flush_L: round(run.flushedL[day]!),
        well_L: round(run.wellL[day]!),
        main_L: round(run.mainL[day]!),
        spilled_L: round(run.spilledL[day]!),
      }
    })
    const {
      default: { unparse },
    } = await import('papaparse')
    save(`${stem()}-${outlook.made ? 'made-up-' : ''}${year.year}.csv`, 'text/csv', unparse(rows))
  }

  return { exportSite, exportDays }
}
