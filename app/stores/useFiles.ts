import { carried } from '~/db/album'
import { openAlbum } from '~/db/openRepository'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useYard } from '~/stores/yard'
import { writeSite } from '#core/site'

/** Files out: the site in its own format, and the shown year's days as a table. */
export function useFiles() {
  const store = useSite()
  const results = useResults()
  const yard = useYard()

  function save(name: string, type: string, content: string | Blob): void {
    const url = URL.createObjectURL(new Blob([content], { type }))
    const link = Object.assign(document.createElement('a'), { href: url, download: name })
    link.click()
    setTimeout(() => URL.revokeObjectURL(url), 1000)
  }
  const stem = (name = store.site!.name) =>
    name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'site'

  function exportSite(autosave = store.here!): void {
    const { site } = autosave.history.value
    save(`${stem(site.name)}.tallcask.json`, 'application/json', writeSite(site))
    void autosave.filed()
  }

  /** A document that cannot be worked with, as it lies there. */
  const exportAsItIs = (name: string, document: unknown): void =>
    save(`${stem(name)}.tallcask.json`, 'application/json', JSON.stringify(document, null, 1))

  /** The site with its photos: as large as they are, so only where somebody asks for it. */
  async function exportWithPhotos(): Promise<void> {
    const [{ writeWithPhotos }, album] = await Promise.all([import('#core/exchange'), openAlbum()])
    const text = writeWithPhotos(store.site!, await carried(album, store.site!.id))
    save(`${stem()}-with-photos.tallcask.json`, 'application/json', text)
    void store.here!.filed()
  }

  /** All sites of the Yard in one file. */
  async function exportYard(): Promise<void> {
    const { writeYard } = await import('#core/exchange')
    const sites = await yard.wholeSites()
    const name = `yard-${new Date().toISOString().slice(0, 10)}.tallcask.json`
    save(name, 'application/json', writeYard(sites))
    await yard.filed(sites.map(site => site.id))
  }

  async function exportDays(): Promise<void> {
    const { outlook, year } = results
    if (!outlook || !year) return
    const { daysTable } = await import('#core/exchange')
    save(`${stem()}-${outlook.made ? 'made-up-' : ''}${year.year}.csv`, 'text/csv', daysTable(outlook, year))
  }

  /** Anything else that leaves as a file, called after the site. */
  const saveAs = (name: string, type: string, content: string | Blob): void => save(`${stem()}-${name}`, type, content)

  return { saveAs, exportSite, exportAsItIs, exportWithPhotos, exportYard, exportDays }
}
