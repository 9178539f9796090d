import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

// The aliases that Nuxt gives the application.
const root = fileURLToPath(new URL('.', import.meta.url)).replace(/\/$/, '')

// Read by Node.js itself: what is named from another module is reached at once there, and these tests compute more than they read.
const NATIVE = { execArgv: ['--import', 'tsx'], experimental: { viteModuleRunner: false, nodeLoader: false } }

export default defineConfig({
  resolve: { alias: { '~~': root, '~': `${root}/app` } },
  test: {
    // Nothing here is timed: a slow machine only takes longer.
    testTimeout: 600_000,
    environment: 'node',
    setupFiles: ['core/test-set-up.ts'],
    maxWorkers: '100%',
    projects: [
      // The core is pure: its files share one set of modules, so that the libraries are read once and not once a file.
      { extends: true, test: { name: 'core', include: ['core/**/*.test.ts'], isolate: false, ...NATIVE } },
      {
        extends: true,
        test: {
          name: 'around the core',
          include: ['demo/**/*.test.ts', 'server/**/*.test.ts', 'tests/corpus/**/*.test.ts', 'scripts/**/*.test.ts'],
          isolate: false,
          ...NATIVE,
        },
      },
      {
        extends: true,
        test: {
          name: 'beside the pages',
          include: ['app/*.test.ts', 'app/{composables,workers}/**/*.test.ts'],
          isolate: false,
          setupFiles: ['app/data/test-set-up.ts'],
        },
      },
      // Stores and the browser's storage are one of each kind in a page: each file has its own.
      {
        extends: true,
        test: { name: 'application', include: ['app/{data,stores}/**/*.test.ts'], setupFiles: ['app/data/test-set-up.ts'] },
      },
      // Components are mounted in a made page, with stores of their own: what is seen of them is looked at in the real browser (tests/e2e).
      {
        extends: true,
        plugins: [vue()],
        test: { name: 'components', include: ['app/components/**/*.test.ts'], environment: 'happy-dom', isolate: false },
      },
    ],
  },
})
