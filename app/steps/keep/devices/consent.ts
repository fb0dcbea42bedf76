import { useStorage } from '@vueuse/core'

/** Where an address lies: this very server, or another. */
const originOf = (address: string): string => {
  try {
    return new URL(address, location.href).origin
  } catch {
    return address
  }
}
/** Which addresses may be asked for which site, remembered on this machine. */
const given = useStorage<string[]>('tall-cask-may-be-asked', [])
const wordOf = (siteId: string, address: string): string => `${siteId} ${originOf(address)}`

/**
 * Whether a site's devices may be asked at an address: where its owner typed it here, put a stand-in up, or said yes to
 * what a file brought. A file from elsewhere causes no request by itself.
 */
export function useConsent() {
  return {
    originOf,
    isGiven: (siteId: string, address: string): boolean => given.value.includes(wordOf(siteId, address)),
    give(siteId: string, address: string): void {
      const word = wordOf(siteId, address)
      if (!given.value.includes(word)) given.value = [...given.value, word]
    },
  }
}
