import { vi } from 'vitest'
import { createPinia, defineStore, setActivePinia } from 'pinia'
import * as vue from 'vue'

/** Brings what the app's build, and a page, bring to every file; threads never answer, so what they are asked waits. */
export function bringTheApp(): void {
  for (const [name, brought] of Object.entries(vue)) vi.stubGlobal(name, brought)
  vi.stubGlobal('defineStore', defineStore)
  vi.stubGlobal('useState', (_name: string, begin: () => unknown) => vue.ref(begin()))
  vi.stubGlobal('navigator', { hardwareConcurrency: 2 })
  vi.stubGlobal('document', {})
  vi.stubGlobal(
    'Worker',
    class {
      readonly asked: unknown[] = []
      postMessage = (question: unknown) => void this.asked.push(question)
      addEventListener = () => undefined
      removeEventListener = () => undefined
      terminate = () => undefined
    },
  )
  setActivePinia(createPinia())
}
