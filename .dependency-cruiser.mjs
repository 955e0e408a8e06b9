/**
 * The layers of the core, from the top down: what stands in one imports only what stands in it or below.
 * A file or folder that is in none of them is refused, so that a new one is given its place.
 */
const CORE_LAYERS = [
  ['picture'],
  ['analyse.ts', 'remedies.ts', 'look.ts', 'contest', 'beside'],
  ['begin.ts', 'offers.ts'],
  ['sentence'],
  ['ledger'],
  ['result.ts'],
  ['findings'],
  ['examine.ts', 'examineTrend.ts'],
  ['check'],
  ['calculate.ts'],
  ['completeMethod.ts'],
  ['method.ts', 'methodName.ts'],
  ['checkPlan.ts', 'prepare', 'leftover'],
  ['forecast'],
  ['decompose'],
  ['trend'],
  ['stateSpace'],
  ['column'],
  ['outliers'],
  ['stationarity', 'seasonality', 'growth'],
  ['transform'],
  ['regression', 'smoothing', 'autocorrelation'],
  ['words'],
  ['series'],
  ['calendar', 'statistics', 'model.ts', 'finding.ts', 'word.ts', 'stage.ts'],
  ['requireWhole.ts', 'requireBounded.ts'],
  ['refusal.ts', 'glossary'],
]

const within = (parts) => `^core/(${parts.map((part) => part.replace('.', '\\.')).join('|')})(/|$)`
const upwards = CORE_LAYERS.slice(1).map((parts, i) => ({
  name: `only-downwards-from-${parts[0].replace('.ts', '')}`,
  severity: 'error',
  comment: 'A layer of the core imports only what lies below it.',
  from: { path: within(parts), pathNot: '\\.test\\.ts$' },
  to: { path: within(CORE_LAYERS.slice(0, i + 1).flat()) },
}))

export default {
  forbidden: [
    {
      name: 'no-cycle',
      severity: 'error',
      comment: 'Nothing imports itself by way of others, types included.',
      from: {},
      to: { circular: true },
    },
    ...upwards,
    {
      name: 'every-part-has-its-layer',
      severity: 'error',
      comment: 'A new part of the core is given its place among the layers.',
      from: {
        path: '^core/',
        pathNot: [within(CORE_LAYERS.flat()), '\\.test\\.ts$'],
      },
      to: {},
    },
    {
      name: 'ways-do-not-know-each-other',
      severity: 'error',
      comment: 'What two ways share lies beside them, not inside one of them.',
      from: { path: '^core/(decompose|forecast|trend)/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^core/$1/[^/]+/',
        pathNot: '^core/$1/$2/',
      },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.imports.json' },
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(node_modules|\\.nuxt|\\.output)/' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.mjs', '.js', '.json'] },
  },
}
