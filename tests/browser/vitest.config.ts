import { defineConfig } from 'vitest/config'

const PACE = 'tests/browser/pace/*.test.ts'
const here = {
  globalSetup: ['tests/browser/server.ts'],
  testTimeout: 180000,
  hookTimeout: 120000,
}

/** Two browsers at a time do what people do, one for each processor; what is timed comes after them, with the machine to itself. */
export default defineConfig({
  test: {
    projects: [
      {
        test: {
          ...here,
          name: 'use',
          include: ['tests/browser/**/*.test.ts'],
          exclude: [PACE],
          maxWorkers: 2,
          sequence: { groupOrder: 1 },
        },
      },
      { test: { ...here, name: 'pace', include: [PACE], maxWorkers: 1, retry: 1, sequence: { groupOrder: 2 } } },
    ],
  },
})
