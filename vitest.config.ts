import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { MADE_UP, withRows } from './tests/compiler/madeUp'

export default defineConfig({
  resolve: {
    alias: {
      '#core': fileURLToPath(new URL('./core', import.meta.url)),
      '~': fileURLToPath(new URL('./app', import.meta.url)),
    },
  },
  test: {
    pool: 'threads',
    // By itself it would leave one processor idle for whoever watches.
    maxWorkers: availableParallelism(),
    setupFiles: ['tests/seed.ts'],
    // What goes over hundreds of sites takes a while where the app is built beside it.
    testTimeout: 120000,
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: ['{core,demo}/**/*.test.ts', 'tests/compiler/**/*.test.ts'],
          // The core keeps no state, so the files can share one load of it: half the time of loading it for each.
          isolate: false,
        },
      },
      // The core with kinds in it that nobody has: every reader meets them.
      {
        extends: true,
        plugins: [
          {
            name: 'made-up-kinds',
            enforce: 'pre',
            transform: (code, id) => withRows(id, code, MADE_UP),
          },
        ],
        test: { name: 'kinds', include: ['tests/kinds/**/*.test.ts'], isolate: false },
      },
      // Servers work beside whoever asks them: one of these at a time.
      {
        extends: true,
        test: {
          name: 'server',
          include: ['tests/server/**/*.test.ts'],
          isolate: false,
          maxWorkers: 1,
          testTimeout: 90000,
          sequence: { groupOrder: 1 },
        },
      },
      // What the app keeps, and what a browser brings, is each file's own.
      { extends: true, test: { name: 'app', include: ['app/**/*.test.ts'] } },
    ],
  },
})
