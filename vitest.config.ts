import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

// The aliases that Nuxt gives the application.
const root = fileURLToPath(new URL('.', import.meta.url)).replace(/\/$/, '')

export default defineConfig({
  resolve: { alias: { '~~': root, '~': `${root}/app` } },
  test: {
    include: ['core/**/*.test.ts', 'demo/**/*.test.ts', 'scripts/**/*.test.ts', 'app/**/*.test.ts'],
    environment: 'node',
    setupFiles: ['core/test-set-up.ts'],
    // The command line starts a Node process of its own for every call: slow on a busy machine.
    testTimeout: 60_000,
  },
})
