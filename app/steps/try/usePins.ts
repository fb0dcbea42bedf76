import { useTry } from './useTry'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { PIN_KIND, pinsOf } from '#core/site'
import { moveOf } from '#core/moves'
import { readPin } from '#core/plant'

/** True while what is picked next in the Section gets a pin. */
const pinning = ref(false)
const problem = ref<string>()

/** Pinned readings with what each shows now. */
export function usePins() {
  const store = useSite()
  const { view } = useTry()
  const { show } = useUnits()
  const pins = computed(() => pinsOf(store.site!).map(pin => ({ pin, now: view.value && readPin(view.value, pin) })))
  /** What stands by each pin in the Section. */
  const words = computed(() =>
    Object.fromEntries(
      pins.value.flatMap(({ pin, now }) => (now === undefined ? [] : [[pin.id, show(now, PIN_KIND[pin.reads])]])),
    ),
  )
  /** Pins a reading where somebody picked; true where that was asked for. */
  function pinAt(id: string): boolean {
    if (!pinning.value) return false
    problem.value = store.make(moveOf('pinReading', { at: id }))
    pinning.value = problem.value !== undefined
    return true
  }
  return { pins, words, pinning, problem, pinAt }
}
