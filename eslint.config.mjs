import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'
import { wayNames } from './scripts/lint/wayNames.mjs'
import { waysAskThemselves } from './scripts/lint/waysAskThemselves.mjs'

/** Packages the core may use: factorization and special functions, nothing that knows of a machine. */
const NUMERIC = '@stdlib/|ml-matrix$|quickselect$'

const { decompositions, forecasts, forms } = await wayNames()
/** Names of ways that are a word of nothing else are refused wherever they stand. */
const UNMISTAKABLE = decompositions.filter((name) => name !== 'none')
const NO_UNMISTAKABLE = [
  {
    selector: `Literal[value=/^(${UNMISTAKABLE.join('|')})$/]`,
    message:
      'Nobody outside the folder of a way knows its name: ask wayOf(by) for what it says of itself.',
  },
]

/** Refuses imports from the folders above, and from packages that are not named. */
function imports({ packages, folders, message }) {
  const patterns = [{ regex: `^(\\.\\./)+(${folders})(/|$)`, message }]
  if (packages !== null) patterns.push({ regex: `^(?!\\.{1,2}/|${packages})`, message })
  return { 'no-restricted-imports': ['error', { patterns }] }
}

export default ts.config(
  { ignores: ['.nuxt', '.output', '.cache', 'data', 'test-results', 'node_modules'] },
  js.configs.recommended,
  ts.configs.recommended,
  vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
  },
  {
    languageOptions: { globals: { process: 'readonly', console: 'readonly', URL: 'readonly' } },
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_' }],
      'vue/multi-word-component-names': 'off',
      // Dependencies point one way: app, server, bin → shared, handover → intake → core.
      eqeqeq: 'error',
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      ...imports({
        packages: NUMERIC,
        folders: 'app|bin|demo|handover|intake|server|shared',
        message: 'The core is pure: it imports itself and its numeric packages, nothing else.',
      }),
      'no-restricted-globals': [
        'error',
        ...['window', 'document', 'fetch', 'process', 'console', 'localStorage', 'setTimeout'],
      ],
    },
  },
  {
    // The schemas of the ways' documents are declared where their types are.
    files: [
      'core/arima/orderOptions.ts',
      'core/stateSpace/weightsOptions.ts',
      'core/decompose/**/*ptions.ts',
      'core/decompose/way.ts',
      'core/forecast/**/*ptions.ts',
      'core/forecast/way.ts',
      'core/trend/**/*ptions.ts',
      'core/trend/document.ts',
      'core/regression/**/*ptions.ts',
      'core/prepare/preparation.ts',
      'core/prepare/preparations.ts',
      'core/prepare/fill/fill.ts',
      'core/prepare/*/options.ts',
    ],
    rules: imports({
      packages: '(zod$|' + NUMERIC + ')',
      folders: 'app|bin|demo|handover|intake|server|shared',
      message: 'The core is pure: options may use zod beside its numeric packages, nothing else.',
    }),
  },
  {
    files: ['**/*.ts', '**/*.vue'],
    ignores: [
      'core/decompose/*/**',
      'core/{decompose,forecast}/ways.ts',
      'core/forecast/*/**',
      'core/trend/*/**',
      // What a way adds to the Bench.
      'app/bench/ways/*/**',
      // Cases of the calculations, and methods that are run by name.
      'bin/calc/**',
      'bin/commands/example.ts',
      ...['advice', 'bench', 'demo', 'e2e', 'fuzz', 'reference'].map((folder) => `${folder}/**`),
      '**/*.test.ts',
      'core/ledger/testing.ts',
    ],
    plugins: { house: waysAskThemselves },
    rules: {
      'house/no-way-names': ['error', { by: [...decompositions, ...forecasts], form: forms }],
      'house/no-shape-questions': 'error',
      'no-restricted-syntax': ['error', ...NO_UNMISTAKABLE],
      'vue/no-restricted-syntax': ['error', ...NO_UNMISTAKABLE],
    },
  },
  {
    // Time is counted in one place, so that other rhythms than months need no change elsewhere.
    files: ['**/*.ts', '**/*.vue'],
    ignores: ['core/calendar/**', 'fuzz/**', '**/*.test.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: 'calendar/counting$',
              importNames: ['addPeriods', 'periodsBetween'],
              message: 'Nobody but the axis adds to periods: ask axisOf(series).',
            },
          ],
        },
      ],
    },
  },
  {
    // Kinds, marks and the like are closed sets: a switch over one names every case, so that a new one does not pass through.
    files: ['{bin,core,handover,intake,shared}/**/*.ts'],
    ignores: ['**/*.test.ts'],
    languageOptions: {
      parserOptions: { project: ['tsconfig.code.json'], tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    files: ['intake/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: imports({
      packages: '(papaparse|fflate|ical\\.js|saxes)$',
      folders: 'app|bin|demo|handover|server|shared',
      message: 'Intake turns bytes into series and knows the core alone.',
    }),
  },
  {
    files: ['shared/**/*.ts', 'handover/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: imports({
      packages: null,
      folders: 'app|bin|demo|server',
      message: 'What all sides share knows none of them.',
    }),
  },
  prettier,
)
