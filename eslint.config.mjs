import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/** Packages the core may use: factorization and special functions, nothing that knows of a machine. */
const NUMERIC = '@stdlib/|ml-matrix$'

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
    files: ['intake/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: imports({
      packages: '(papaparse|fflate|saxes)$',
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
