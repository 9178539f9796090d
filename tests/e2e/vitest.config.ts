import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['tests/e2e/**/*.test.ts'],
    environment: 'node',
    testTimeout: 900_000,
    hookTimeout: 300_000,
    // What is expected of the page is waited for as all else is: a page draws its parts one after the other.
    expect: { poll: { interval: 50, timeout: 90_000 } },
    // Each file has a server and a browser of its own.
    maxWorkers: 2,
  },
})
