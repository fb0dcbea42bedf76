import { useSite } from '~/stores/site'
import { phraseText, type Phrase } from '#core/words'
import { FOOT_M, groupDigits, parseQuantity, showQuantity, showVolume, type Kind } from '#core/units'

/** Figures in the units of the open site. */
export function useUnits() {
  const store = useSite()
  const unitL = () => {
    const one = parseQuantity('1', 'volume', store.system)
    return one.ok ? one.value : 1
  }
  return {
    system: computed(() => store.system),
    show: (value: number, kind: Kind) => showQuantity(value, kind, store.system).text,
    litres: (value: number) => showVolume(value, store.system).text,
    /** What a stretch of pipe holds: litres a metre, gallons a foot. */
    litresAlong: (litresPerM: number) =>
      store.system === 'metric'
        ? `${groupDigits(litresPerM, 1)} L a metre`
        : `${groupDigits((litresPerM * FOOT_M) / unitL(), 2)} gal a foot`,
    /** A span of hours as people say it: minutes while there are few, days once there are many. */
    span: (hours: number) =>
      hours < 1.5
        ? `${Math.max(1, Math.round(hours * 60))} minutes`
        : hours < 72
          ? `${Number(hours.toPrecision(2))} hours`
          : `${Math.round(hours / 24)} days`,
    /** An amount in the money of the site, which is what it says it is. */
    money: (amount: number) =>
      `${Math.round(amount).toLocaleString('en').replaceAll(',', ' ')} ${store.site?.standards.currency ?? ''}`.trim(),
    /** The price of a small thing, to the hundredth. */
    price: (amount: number) =>
      `${amount < 100 ? amount.toFixed(2) : Math.round(amount)} ${store.site?.standards.currency ?? ''}`.trim(),
    phrase: (words: string | Phrase) => phraseText(words, store.system),
  }
}
