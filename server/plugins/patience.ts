import type { Server } from 'node:http'
import { defineNitroPlugin } from 'nitropack/runtime'

/** Milliseconds within which the head of a request, and the whole of it, must have come. */
const HEAD_MS = 10_000
const WHOLE_MS = 30_000

/** Whoever sends too slowly is let go: a connection that is held costs the server room. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('request', ({ node: { req } }) => {
    const { server } = req.socket as typeof req.socket & { server?: Server }
    if (!server || server.headersTimeout === HEAD_MS) return
    server.headersTimeout = HEAD_MS
    server.requestTimeout = WHOLE_MS
  })
})
