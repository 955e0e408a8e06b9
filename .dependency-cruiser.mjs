/**
 * The layers of the core, from the top down: what stands in one imports only what stands in it or below.
 * A file or folder that is in none of them is refused, so that a new one is given its place.
 */
const CORE_LAYERS = [
  ['picture'],
  ['groupSeason'],
  ['addingUp'],
  ['catalogue', 'analyse.ts', 'remedies.ts', 'look.ts', 'contest', 'beside', 'kept', 'revisions'],
  ['begin.ts', 'offers.ts'],
  ['sentence'],
  ['ledger'],
  ['result.ts'],
  ['findings'],
  ['examine.ts', 'examineTrend.ts'],
  ['check'],
  ['assume.ts'],
  ['calculate.ts', 'cost.ts'],
  ['completeMethod.ts'],
  ['method.ts', 'methodName.ts'],
  ['checkPlan.ts', 'prepare', 'leftover'],
  ['forecast'],
  ['decompose'],
  ['trend'],
  ['arima'],
  ['stateSpace'],
  ['column'],
  ['outliers'],
  ['stationarity', 'seasonality', 'growth'],
  ['transform'],
  ['regression', 'smoothing', 'autocorrelation'],
  ['words'],
  ['series'],
  ['calendar', 'statistics', 'model.ts', 'finding.ts', 'word.ts', 'stage.ts'],
  ['requireWhole.ts', 'work'],
  ['refusal.ts', 'glossary'],
]

/** The same of the application: pages, then the Bench from what holds it together down to its stages as data. */
const APP_LAYERS = [
  ['pages', 'app.vue', 'error.vue', 'plugins'],
  ['bench/plane', 'bench/working'],
  ['bench/stages', 'bench/sentence'],
  [
    'bench/compare',
    'bench/contest',
    'bench/findings',
    'bench/hand',
    'bench/handover',
    'bench/picture',
    'bench/preparations',
    'bench/report',
    'bench/ways',
  ],
  ['bench/view'],
  ['bench/beside'],
  ['bench/check', 'bench/pins', 'bench/controls', 'bench/kept', 'bench/parts'],
  ['bench/studies'],
  ['bench/study'],
  ['sums'],
  ['intake', 'bench/figures'],
  ['shelf', 'kept', 'bench/tour'],
  ['shell', 'bench/stage'],
  ['figures', 'theme'],
  ['storage', 'api', 'workers'],
]

/** The same of the server: routes, then what is done for them, down to the database. */
const SERVER_LAYERS = [
  ['api', 'plugins', 'middleware'],
  ['work'],
  ['derived', 'catalogue'],
  ['shelf'],
  ['studies', 'files', 'kept'],
  ['series', 'backup', 'http'],
  ['database', 'handover'],
]

const within = (root, parts) =>
  `^${root}/(${parts.map((part) => part.replace('.', '\\.')).join('|')})(/|$)`

/** What stands in a layer of a folder imports only what stands in it or below, and everything has its layer. */
function layersOf(root, layers) {
  const upwards = layers.slice(1).map((parts, i) => ({
    name: `only-downwards-from-${root}-${parts[0].replace('.ts', '')}`,
    severity: 'error',
    comment: 'A layer imports only what lies in it or below it.',
    from: { path: within(root, parts), pathNot: '\\.test\\.ts$' },
    to: { path: within(root, layers.slice(0, i + 1).flat()) },
  }))
  return [
    ...upwards,
    {
      name: `every-part-of-${root}-has-its-layer`,
      severity: 'error',
      comment: 'A new part is given its place among the layers.',
      from: { path: `^${root}/`, pathNot: [within(root, layers.flat()), '\\.test\\.ts$'] },
      to: {},
    },
  ]
}

export default {
  forbidden: [
    {
      name: 'no-cycle',
      severity: 'error',
      comment: 'Nothing imports itself by way of others, types included.',
      from: {},
      to: { circular: true },
    },
    ...layersOf('core', CORE_LAYERS),
    ...layersOf('app', APP_LAYERS),
    ...layersOf('server', SERVER_LAYERS),
    {
      name: 'ways-do-not-know-each-other',
      severity: 'error',
      comment: 'What two ways share lies beside them, not inside one of them.',
      from: { path: '^core/(decompose|forecast|trend)/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^core/$1/[^/]+/',
        // Passes of loess are no way of their own: two ways are made of them.
        pathNot: '^core/($1/$2|decompose/stl)/',
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
