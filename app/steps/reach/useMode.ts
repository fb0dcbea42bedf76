import { useSite } from '~/stores/site'
import { inMode, type Mode, type Site } from '#core/site'
import { momentIn } from '~/engine/moments'
import { tapsOf, type Steady } from '#core/network'

/** The way of running it that is looked at, by site; none is as the valves stand. */
const chosen = reactive<Record<string, string | undefined>>({})

export const modeOf = (site: Site): Mode | undefined => site.modes.find(({ id }) => id === chosen[site.id])
/** A site with its valves as the mode that is looked at has them. */
export function asRun(site: Site): Site {
  const mode = modeOf(site)
  return mode ? inMode(site, mode) : site
}
/** The flows of a site as it is run, all taps open and tanks nearly empty: it shows its way. */
export const momentAsRun = (site: Site): Steady | undefined =>
  momentIn(
    asRun(site),
    tapsOf(site).map(({ id }) => id),
    'low',
  )

export function useMode() {
  const store = useSite()
  const mode = computed(() => store.site && modeOf(store.site))
  const pickMode = (id: string | undefined) => (chosen[store.site!.id] = id)
  return { mode, pickMode }
}
