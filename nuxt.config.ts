import type {} from '@nuxt/nitro-server'
import { copyFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { bundleOffline, bundleThread, licencesOf } from './scripts/bundles'

/** What of others the page loads, and under which licence: written by the build of the page. */
const LICENCES = fileURLToPath(new URL('./.nuxt/dist/client/licences.txt', import.meta.url))

/** The core is read by its types alone, which it writes once for all (`core/tsconfig.json`). */
const CORE = { path: '../core' }

export default defineNuxtConfig({
  modules: ['@pinia/nuxt', '@element-plus/nuxt', '@nuxt/eslint'],
  ssr: false,
  // Our own rooms are imported by name, so that what stands on what can be read and is held to its floors.
  components: { dirs: [] },
  imports: { scan: false },
  pinia: { storesDirs: [] },
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Tall Cask',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'Design, compute and run your own water, from roof to tap.' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/favicon.svg' },
        { rel: 'apple-touch-icon', href: '/icon-192.png' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
      ],
    },
  },
  css: [
    '~/assets/css/fonts.css',
    '~/assets/css/theme.css',
    '~/assets/css/element.css',
    '~/assets/css/page.css',
    '~/assets/css/print.css',
  ],
  spaLoadingTemplate: false,
  // The page is made in the browser alone: no answer of a server's rendering is unpacked in it.
  // A piece that is gone from the server is told, and the page loads anew once all is saved: never by itself.
  experimental: { renderJsonPayloads: false, emitRouteChunkError: 'manual' },
  alias: {
    '#core': fileURLToPath(new URL('./core', import.meta.url)),
    // What the package means for old browsers and old loaders is a good deal longer.
    dexie: 'dexie/dist/modern/dexie.mjs',
  },
  routeRules: {
    '/**': {
      headers: {
        'x-content-type-options': 'nosniff',
        'referrer-policy': 'no-referrer',
        'x-frame-options': 'DENY',
        'cross-origin-opener-policy': 'same-origin',
        'permissions-policy': 'camera=(), microphone=(), geolocation=()',
        // Pages set a policy of their own over this one; what is no page may load nothing.
        'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
      },
    },
    // What answers without a network lives under its own policy, and is asked for anew each time.
    '/sw.js': {
      headers: {
        'cache-control': 'no-cache',
        'content-security-policy': "default-src 'none'; script-src 'self'; connect-src 'self'; frame-ancestors 'none'",
      },
    },
    // A worker lives under the policy of its own file.
    '/_nuxt/**': {
      headers: {
        'content-security-policy': "default-src 'none'; script-src 'self'; connect-src 'self'; frame-ancestors 'none'",
      },
    },
  },
  compatibilityDate: '2026-01-01',
  sourcemap: false,
  nitro: {
    compressPublicAssets: true,
    serverAssets: [{ baseName: 'demo', dir: '../demo', pattern: '*.json' }],
    typescript: { tsConfig: { references: [CORE] } },
  },
  vite: {
    worker: { format: 'es' },
    define: { __VUE_OPTIONS_API__: 'false' },
    // A twentieth smaller than the quicker minifier makes it, which the first view is glad of.
    build: { minify: 'terser' },
    $client: {
      plugins: [licencesOf(LICENCES)],
    },
  },
  typescript: {
    strict: true,
    tsConfig: {
      references: [CORE],
      compilerOptions: { noImplicitReturns: true, noUnusedLocals: true, noUnusedParameters: true },
    },
  },
  telemetry: false,
  hooks: {
    /** While it is developed, a page that is made in the browser alone is asked for a server's entry too: its own. */
    'vite:extendConfig'(config, { isClient }) {
      const input = config.build?.rollupOptions?.input
      if (isClient && config.mode === 'development' && typeof input === 'object' && !Array.isArray(input))
        input.server ??= input.entry!
    },
    /** What answers without a network knows every file of this build, and the server every file that it serves. */
    async 'nitro:build:public-assets'({ options }) {
      const { publicDir } = options.output
      await copyFile(LICENCES, `${publicDir}/licences.txt`)
      await bundleOffline(publicDir)
    },
    'nitro:init'(nitro) {
      nitro.hooks.hook('compiled', ({ options }) => bundleThread(options.output.serverDir))
    },
  },
  elementPlus: { themes: [] },
})
