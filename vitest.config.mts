import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { BaseSequencer, type TestSpecification } from 'vitest/node'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** What takes longest begins first, so that two workers end together. */
const longest = [
  'deep',
  'faults',
  'prove',
  'offline',
  'reach',
  'devices',
  'strangers',
  'keeping',
  'safety',
].map((name) => `${name}.test`)

class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const place = ({ moduleId }: TestSpecification) => {
      const at = longest.findIndex((name) => moduleId.includes(`/${name}`))
      return at < 0 ? longest.length : at
    }
    return (await super.sort(files)).sort((a, b) => place(a) - place(b))
  }
}

/** Three projects: tests of core, of everything else beside what they test, and browser tests that drive the built application. */
export default defineConfig({
  resolve: { alias: { '@tests': here('./tests'), '@': here('./src') } },
  test: {
    // Two at a time: each browser test file has a database, a server and a browser of its own.
    maxWorkers: 2,
    sequence: { sequencer: LongestFirst },
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: ['src/core/**/*.test.ts', 'tests/deep/**/*.test.ts'],
          // Nothing of core is kept from one test to the next: its modules are read once for all of them.
          isolate: false,
          testTimeout: 90_000,
        },
      },
      {
        extends: true,
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'scripts/**/*.test.ts'],
          exclude: ['src/core/**'],
          setupFiles: [here('./tests/fixtures/patience.ts')],
          // Properties take several times as long while both workers of a busy machine reckon.
          testTimeout: 90_000,
        },
      },
      {
        extends: true,
        test: {
          name: 'browser',
          include: ['tests/browser/**/*.test.ts'],
          // Each wait inside has a limit of its own, which says what it waited for; this one only ends what hangs.
          testTimeout: 180_000,
          hookTimeout: 120_000,
          expect: { poll: { timeout: 8000 } },
        },
      },
    ],
  },
})
