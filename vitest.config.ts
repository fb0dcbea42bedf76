import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['core/**/*.test.ts', 'demo/**/*.test.ts', 'tests/{compiler,server}/**/*.test.ts'],
    setupFiles: ['tests/seed.ts'],
    testTimeout: 30000,
  },
})
