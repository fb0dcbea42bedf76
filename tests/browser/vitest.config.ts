import { defineConfig } from 'vitest/config'

const PACE = 'tests/browser/pace/*.test.ts'
const here = {
  globalSetup: ['tests/browser/server.ts'],
  testTimeout: 180000,
  hookTimeout: 120000,
}

/**
 * What people do is run by two browsers at a time, one for each processor (`npm test`); what is timed runs with the
 * machine to itself (`npm run bench`).
 */
export default defineConfig({
  test: {
    projects: [
      { test: { ...here, name: 'use', include: ['tests/browser/**/*.test.ts'], exclude: [PACE], maxWorkers: 2 } },
      { test: { ...here, name: 'pace', include: [PACE], maxWorkers: 1, retry: 1 } },
    ],
  },
})
