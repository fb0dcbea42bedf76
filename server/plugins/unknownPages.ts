import { defineNitroPlugin } from 'nitropack/runtime'

/** The pages there are; what they hold is found in the browser. */
const PAGES = /^\/(new\/?|site\/[\w-]+(\/[a-z]+)?\/?)?$/

/** One page answers every address; an address of no page says so in its status too. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:response', (response, { event }) => {
    if (!PAGES.test(event.path.split('?')[0]!)) response.statusCode = 404
  })
})
