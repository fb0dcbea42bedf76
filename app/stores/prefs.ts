import { usePreferredDark, useStorage } from '@vueuse/core'

/** What this person likes, on this machine. */
export const usePrefs = defineStore('prefs', () => {
  const theme = useStorage<'auto' | 'light' | 'dark'>('tall-cask-theme', 'auto')
  const prefersDark = usePreferredDark()
  const dark = computed(() => (theme.value === 'auto' ? prefersDark.value : theme.value === 'dark'))
  watchEffect(() => document.documentElement.classList.toggle('dark', dark.value))
  return { theme, dark }
})
