import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['tests/browser/**/*.test.ts'],
    globalSetup: ['tests/browser/server.ts'],
    fileParallelism: false,
    testTimeout: 45000,
    hookTimeout: 45000,
  },
})
