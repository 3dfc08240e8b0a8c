import next from 'eslint-config-next/core-web-vitals'
import prettier from 'eslint-config-prettier'
import tseslint from 'typescript-eslint'

/** The floors of docs/architecture.md: a folder may import from those below it, never from those above. */
const floors = ['app', 'features', 'ui', 'workers', 'server', 'cli', 'writers', 'disk', 'core']
const mayUse = {
  app: floors,
  features: ['features', 'ui', 'workers', 'writers', 'core'],
  ui: ['ui', 'core'],
  workers: ['workers', 'writers', 'core'],
  server: ['server', 'disk', 'core'],
  cli: ['cli', 'writers', 'disk', 'core'],
  writers: ['writers', 'core'],
  disk: ['disk', 'core'],
  core: ['core'],
}
const zones = floors.map((floor) => ({
  target: `./src/${floor}`,
  from: floors.filter((other) => !mayUse[floor].includes(other)).map((other) => `./src/${other}`),
  message: `src/${floor} stands below it: imports go down, never up.`,
}))

/** The order inside core: a folder may import from those named before it in its line, and from the files beside them. */
const coreMayUse = {
  vocabulary: [],
  numbers: ['vocabulary'],
  rules: ['vocabulary'],
  sync: ['vocabulary'],
  model: ['vocabulary', 'rules'],
  plan: ['vocabulary', 'rules', 'model', 'sync'],
  plates: ['model'],
  files: ['vocabulary', 'model', 'plan'],
  cards: ['model'],
  fit: ['vocabulary', 'model', 'sync', 'plan'],
  inventory: ['vocabulary', 'rules', 'model', 'sync', 'plan', 'cards'],
  resolve: ['vocabulary', 'numbers', 'rules', 'model', 'plan'],
  route: ['vocabulary', 'rules', 'model', 'plan', 'resolve'],
  focus: ['vocabulary', 'rules', 'model', 'sync', 'plan', 'resolve'],
  reach: ['vocabulary', 'model', 'sync', 'plan', 'resolve'],
  settings: ['vocabulary', 'model', 'sync', 'plan', 'resolve', 'route', 'reach'],
  banks: ['vocabulary', 'numbers', 'model', 'sync', 'plan', 'resolve', 'route'],
  known: ['vocabulary', 'numbers', 'model', 'plan', 'resolve', 'banks'],
  advise: ['vocabulary', 'numbers', 'model', 'sync', 'plan', 'resolve', 'route', 'reach', 'banks', 'known'],
  camera: ['vocabulary', 'rules', 'model', 'plan', 'files', 'resolve', 'focus'],
  suggest: ['vocabulary', 'model', 'sync', 'plan', 'fit', 'resolve', 'reach'],
  procedures: [
    ...[
      'vocabulary',
      'rules',
      'model',
      'sync',
      'plan',
      'files',
      'cards',
      'resolve',
      'route',
      'focus',
      'reach',
      'camera',
    ],
  ],
  checks: ['vocabulary', 'numbers', 'rules', 'model', 'sync', 'plan', 'resolve', 'focus', 'reach', 'banks'],
  sheets: [
    ...['vocabulary', 'numbers', 'model', 'sync', 'plan', 'plates', 'fit', 'resolve', 'focus', 'reach'],
    ...['settings', 'banks', 'camera', 'checks', 'procedures'],
  ],
  analysis: [
    'vocabulary',
    'numbers',
    'model',
    'sync',
    'plan',
    'resolve',
    'focus',
    'reach',
    'settings',
    'banks',
    'known',
    'advise',
    'suggest',
    'checks',
    'camera',
    'procedures',
  ],
}
const coreFolders = Object.keys(coreMayUse)
const coreZones = coreFolders.map((folder) => ({
  target: `./src/core/${folder}/**/!(*.test).ts`,
  from: coreFolders
    .filter((other) => other !== folder && !coreMayUse[folder].includes(other))
    .map((other) => `./src/core/${other}`),
  message: `core/${folder} stands below it: see the order in eslint.config.mjs.`,
}))

/** How the id of a row of a plan begins. */
const rowHeads =
  'base|share|line|key|bank|pair|position|grid|own|hold|lens|body|card|gear|sheet|situation|need|owner|habit|school|intent|accept|forbid|why|who|sure|source|priority|decidedOn|risk|picture|lock'
const takesApart = '/^(split|slice|startsWith|endsWith|includes|indexOf|lastIndexOf|replace)$/'
const rowIdsAreMadeThere = [
  {
    selector: `TemplateLiteral > TemplateElement.quasis:first-child[value.raw=/^(${rowHeads})\\u002F/]`,
    message:
      'Row ids are made in core/plan/rows, of inventories in core/inventory/rows: there is a function for each kind.',
  },
  {
    selector: `CallExpression[callee.property.name='startsWith'] > Literal[value=/^(${rowHeads})\\u002F/]`,
    message: 'Row ids are taken apart in core/plan/rows and core/inventory/rows only.',
  },
  {
    selector: `Literal[regex.pattern=/^\\^\\(?(${rowHeads})\\b/]`,
    message: 'Row ids are taken apart in core/plan/rows and core/inventory/rows only.',
  },
  ...['object.name', 'object.property.name'].map((place) => ({
    selector: `CallExpression[callee.property.name=${takesApart}][callee.${place}='row']`,
    message: 'Row ids are taken apart in core/plan/rows and core/inventory/rows only.',
  })),
  {
    selector: "TSAsExpression > TSTypeReference[typeName.name='RowId']",
    message: 'Only core/plan/rows and core/inventory/rows say that a text is the id of a row.',
  },
]

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
      'import/no-restricted-paths': [
        'error',
        { zones: [...zones, ...coreZones].filter((zone) => zone.from.length > 0) },
      ],
    },
  },
  {
    files: ['src/**', 'scripts/**', 'tests/**'],
    ignores: [
      'src/core/plan/rows/**',
      'src/core/inventory/rows.ts',
      'src/core/inventory/accept.ts',
      'src/core/procedures/walk-rows.ts',
      'tests/fixtures/rows.ts',
    ],
    rules: {
      'no-restricted-syntax': ['error', ...rowIdsAreMadeThere],
      'no-restricted-imports': [
        'error',
        { patterns: [{ regex: '(plan|\\.)/rows/.+$', message: 'core/plan/rows has one public file.' }] },
      ],
    },
  },
  {
    files: ['src/**'],
    ignores: ['src/core/**', 'src/**/*.test.ts', 'src/**/*.test.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: '(plan|\\.)/rows/.+$', message: 'core/plan/rows has one public file.' },
            { regex: '^@/features/[a-z]+/.+$', message: 'A feature has one public file: its index.' },
          ],
        },
      ],
      'max-lines-per-function': ['error', { max: 100 }],
    },
  },
  {
    files: ['src/**'],
    ignores: ['src/core/memoize.ts', 'src/**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        { name: 'WeakMap', message: 'There is one way to remember: core/memoize.ts.' },
      ],
    },
  },
  {
    files: ['src/core/**'],
    ignores: ['src/core/**/*.test.ts', 'src/core/plan/rows/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: '(plan|\\.)/rows/.+$', message: 'core/plan/rows has one public file.' },
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
