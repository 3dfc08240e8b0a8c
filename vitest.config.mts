import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** Two projects: unit tests beside what they test, and browser tests that drive the built application. */
export default defineConfig({
  resolve: { alias: { '@tests': here('./tests'), '@': here('./src') } },
  test: {
    // Two at a time: each browser test file has a database, a server and a browser of its own.
    maxWorkers: 2,
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts'],
          testTimeout: 30_000,
        },
      },
      {
        extends: true,
        test: {
          name: 'browser',
          include: ['tests/browser/**/*.test.ts'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
          expect: { poll: { timeout: 8000 } },
        },
      },
    ],
  },
})
