import { z } from 'zod'

// The page's security policy forbids code made from strings, which the schema library would try for speed.
export default defineNuxtPlugin(() => {
  z.config({ jitless: true })
})
