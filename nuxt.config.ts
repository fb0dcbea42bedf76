import type {} from '@nuxt/nitro-server'
import { readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { build as bundle } from 'esbuild'

export default defineNuxtConfig({
  modules: ['@pinia/nuxt', '@element-plus/nuxt', '@nuxt/eslint', '@vite-pwa/nuxt'],
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
  // It installs on a phone and works without a network; a newer version waits until somebody takes it.
  pwa: {
    registerType: 'prompt',
    injectRegister: null,
    client: { registerPlugin: false },
    manifest: {
      name: 'Tall Cask',
      short_name: 'Tall Cask',
      description: 'Design, compute and run your own water, from roof to tap.',
      display: 'standalone',
      start_url: '/',
      scope: '/',
      background_color: '#f6f2e8',
      theme_color: '#f6f2e8',
      icons: [
        { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
      ],
    },
    workbox: {
      globPatterns: ['**/*.{js,css,woff,woff2,ttf,svg,png}'],
      maximumFileSizeToCacheInBytes: 4_000_000,
      // The page for when no server answers; where one does, its answer of today counts, and the rules that come with it.
      additionalManifestEntries: [{ url: '/?kept', revision: String(Date.now()) }],
      navigateFallback: null,
      runtimeCaching: [
        {
          urlPattern: ({ request }) => request.mode === 'navigate',
          handler: async ({ request }) => {
            const patience = new Promise<never>((_, fail) => setTimeout(fail, 5000))
            const answer = await Promise.race([fetch(request), patience]).catch(() => undefined)
            if (answer && answer.status < 500) return answer
            return (await caches.match('/', { ignoreSearch: true })) ?? Response.error()
          },
        },
      ],
      inlineWorkboxRuntime: true,
      cleanupOutdatedCaches: true,
    },
  },
  compatibilityDate: '2026-01-01',
  sourcemap: false,
  nitro: { compressPublicAssets: true, serverAssets: [{ baseName: 'demo', dir: '../demo', pattern: '*.json' }] },
  vite: {
    worker: { format: 'es' },
    define: { __VUE_OPTIONS_API__: 'false' },
    // A twentieth smaller than the quicker minifier makes it, which the first view is glad of.
    build: { minify: 'terser' },
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noImplicitReturns: true, noUnusedLocals: true } } },
  telemetry: false,
  hooks: {
    /** While it is developed, a page that is made in the browser alone is asked for a server's entry too: its own. */
    'vite:extendConfig'(config, { isClient }) {
      const input = config.build?.rollupOptions?.input
      if (isClient && config.mode === 'development' && typeof input === 'object' && !Array.isArray(input))
        input.server ??= input.entry!
    },
    /**
     * The built server listens on this machine alone unless HOST says otherwise; its entry sets that before anything
     * else runs. What its threads run stands beside it as one file.
     */
    'nitro:init'(nitro) {
      nitro.hooks.hook('compiled', async ({ options }) => {
        const folder = options.output.serverDir
        const entry = join(folder, 'index.mjs')
        await writeFile(join(folder, 'host.mjs'), "process.env.HOST ||= process.env.NITRO_HOST || '127.0.0.1'\n")
        await writeFile(entry, `import './host.mjs'\n${await readFile(entry, 'utf8')}`)
        await bundle({
          entryPoints: [fileURLToPath(new URL('./server/jobs/thread.ts', import.meta.url))],
          outfile: join(folder, 'work.mjs'),
          alias: { '#core': fileURLToPath(new URL('./core', import.meta.url)) },
          bundle: true,
          platform: 'node',
          format: 'esm',
          target: 'node20',
          minify: true,
        })
      })
    },
  },
  elementPlus: { themes: [] },
})
