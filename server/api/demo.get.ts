import { defineEventHandler } from 'h3'
import { useStorage } from 'nitropack/runtime'

/** The made-up sites that ship with the app, as documents of our own format. */
export default defineEventHandler(async () => {
  const storage = useStorage('assets:demo')
  const names = ['quillfern-ridge', 'brindle-yard', 'cinder-tor']
  return Promise.all(names.map(name => storage.getItem(`${name}.json`)))
})
