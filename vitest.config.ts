import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['core/**/*.test.ts', 'demo/**/*.test.ts', 'scripts/**/*.test.ts', 'app/**/*.test.ts'],
    environment: 'node',
    setupFiles: ['core/test-set-up.ts'],
    testTimeout: 20_000,
  },
})
