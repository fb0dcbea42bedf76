import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: {
    alias: {
      '#core': fileURLToPath(new URL('./core', import.meta.url)),
      '~': fileURLToPath(new URL('./app', import.meta.url)),
    },
  },
  test: {
    include: ['{app,core,demo}/**/*.test.ts', 'tests/{compiler,server}/**/*.test.ts'],
    // The core keeps no state, so the files can share one load of it: half the time of loading it for each.
    pool: 'threads',
    isolate: false,
    setupFiles: ['tests/seed.ts'],
    testTimeout: 30000,
  },
})
