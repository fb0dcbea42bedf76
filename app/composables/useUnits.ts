import { showQuantity, showVolume, type Kind } from '#core/units'
import { phraseText, type Phrase } from '#core/review'

/** Figures in the units of the open site. */
export function useUnits() {
  const open = useSite()
  return {
    system: computed(() => open.system),
    show: (value: number, kind: Kind) => showQuantity(value, kind, open.system).text,
    litres: (value: number) => showVolume(value, open.system).text,
    phrase: (words: string | Phrase) => phraseText(words, open.system),
  }
}
