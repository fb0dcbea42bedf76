import { createHash } from 'node:crypto'
import { defineNitroPlugin } from 'nitropack/runtime'

/** Addresses beside our own that the page may ask, where whoever runs the server names them: their own devices. */
const deviceOrigins = (process.env.DEVICE_ORIGINS ?? '')
  .split(/[\s,]+/)
  .filter(each => /^https?:\/\/[\w.:-]+$/.test(each))

const asked = ["'self'", ...deviceOrigins].join(' ')

/**
 * A strict policy for the page: its own files, and the inline scripts it was rendered with, by their hashes. Nothing
 * from outside, ever, but the devices that `DEVICE_ORIGINS` names.
 */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:response', response => {
    if (typeof response.body !== 'string') return
    const inline = [...response.body.matchAll(/<script(?![^>]*\bsrc=)[^>]*>([\s\S]*?)<\/script>/g)].map(
      match => `'sha256-${createHash('sha256').update(match[1]!).digest('base64')}'`,
    )
    const { 'x-powered-by': _by, ...headers } = response.headers ?? {}
    response.headers = {
      ...headers,
      'content-security-policy':
        `default-src 'none'; script-src 'self' ${inline.join(' ')}; style-src 'self'; img-src 'self' data: ` +
        `blob:; font-src 'self'; connect-src ${asked}; worker-src 'self'; manifest-src 'self'; base-uri 'none'; ` +
        `form-action 'none'; frame-ancestors 'none'`,
    }
  })
})
