import next from 'eslint-config-next/core-web-vitals'
import prettier from 'eslint-config-prettier'
import tseslint from 'typescript-eslint'

/** The floors of docs/architecture.md: a folder may import from those below it, never from those above. */
const floors = ['app', 'features', 'ui', 'workers', 'server', 'cli', 'disk', 'core']
const mayUse = {
  app: floors,
  features: ['features', 'ui', 'workers', 'core'],
  ui: ['ui', 'core'],
  workers: ['workers', 'core'],
  server: ['server', 'disk', 'core'],
  cli: ['cli', 'disk', 'core'],
  disk: ['disk', 'core'],
  core: ['core'],
}
const zones = floors.map((floor) => ({
  target: `./src/${floor}`,
  from: floors.filter((other) => !mayUse[floor].includes(other)).map((other) => `./src/${other}`),
  message: `src/${floor} stands below it: imports go down, never up.`,
}))

export default tseslint.config(
  { ignores: ['.next/**', '.next-*/**', 'node_modules/**', 'next-env.d.ts', 'coverage/**'] },
  ...next,
  {
    files: ['**/*.{ts,tsx,mts}'],
    extends: [...tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unnecessary-condition': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    files: ['src/**'],
    rules: {
      'import/no-restricted-paths': ['error', { zones: zones.filter((zone) => zone.from.length > 0) }],
    },
  },
  {
    files: ['src/core/**'],
    ignores: ['src/core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(next|react|react-dom|pg|node:.*|@headlessui/.*|recharts)(/|$)',
              message: 'core knows no framework, no database and no platform.',
            },
          ],
        },
      ],
    },
  },
  prettier,
)
