import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['tests/browser/screenshots.ts'],
    globalSetup: ['tests/browser/server.ts'],
    fileParallelism: false,
    testTimeout: 300000,
    hookTimeout: 45000,
  },
})
