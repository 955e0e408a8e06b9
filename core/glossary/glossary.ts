/** A term of the field: what it says in one sentence of plain words, and its formula or source. */
export interface Term {
  /** As it is written in a line of words. */
  readonly term: string
  readonly means: string
  /** The formula, or where the definition is from. */
  readonly by: string
}

/**
 * Every term that the screens, reports and the command line use, in the order of the work. The figures
 * themselves are defined where they are calculated; here they are said.
 */
export const GLOSSARY = {
  timeCode: {
    term: 'time code',
    means: 'The number of a period, counted from 1 in the first period of the series.',
    by: 't = 1, 2, …, n',
  },
  rollingMean: {
    term: 'rolling mean',
    means: 'The mean of the last so many values: where it drifts, the level of the series does.',
    by: 'mean of y(t−k+1) … y(t)',
  },
  rollingDeviation: {
    term: 'rolling standard deviation',
    means: 'How widely the last so many values spread: where it grows, so does the swing.',
    by: 'over y(t−k+1) … y(t), divisor k − 1',
  },
  autocorrelation: {
    term: 'autocorrelation',
    means:
      'How much a value resembles the one so many periods before it: 1 is alike, 0 not at all, −1 opposite.',
    by: 'r(k) = Σ (y(t) − ȳ)(y(t−k) − ȳ) ÷ Σ (y(t) − ȳ)²; limits ±1.96 ÷ √n',
  },
  partialAutocorrelation: {
    term: 'partial autocorrelation',
    means: 'The same with what the lags in between explain already taken out.',
    by: 'Durbin 1960, Levinson 1947',
  },
  dickeyFuller: {
    term: 'Dickey–Fuller test',
    means:
      'Asks whether the series wanders without a level to come back to; rejected means it does come back.',
    by: 'Dickey & Fuller 1979; critical values MacKinnon 2010',
  },
  kpss: {
    term: 'KPSS test',
    means: 'Asks whether the series stays around one level; rejected means it does not.',
    by: 'Kwiatkowski, Phillips, Schmidt & Shin 1992',
  },
  movingAverage: {
    term: 'centred moving average',
    means:
      'The mean of a whole year of values, centred on its period; over a whole year the season cancels out.',
    by: 'odd k: mean of y(t−h) … y(t+h), h = (k − 1) ÷ 2; even k: the mean of two neighbours, 2×k',
  },
  gain: {
    term: 'gain',
    means:
      'The share of a seasonal wave that an average lets through; 0 takes the season out whole.',
    by: '|Σ w(j) e^(−2πi j k ÷ m)| at the seasonal frequency k',
  },
  trendCycle: {
    term: 'trend-cycle',
    means: 'Where the series stands once season and chance are smoothed out.',
    by: 'the centred moving average, or the trend of the loess',
  },
  seasonalIrregular: {
    term: 'seasonal-irregular',
    means:
      'What a value is beside its trend-cycle: the season with that period’s chance still in it.',
    by: 'y ÷ trend-cycle, or y − trend-cycle',
  },
  index: {
    term: 'seasonal index',
    means:
      'What a season usually is beside the trend-cycle: 1.13 is 13% above it, +430 is 430 units above.',
    by: 'average of the season’s seasonal-irregulars, adjusted to average 1 or to sum to 0',
  },
  standardError: {
    term: 'standard error',
    means: 'How far an estimate would typically be off if the same were observed again.',
    by: 'of a mean: standard deviation ÷ √count',
  },
  irregular: {
    term: 'irregular',
    means: 'What neither trend-cycle nor season explains.',
    by: 'y ÷ (trend-cycle × index), or y − trend-cycle − index',
  },
  deseasonalized: {
    term: 'deseasonalized',
    means:
      'A value with its season taken out, and its calendar where the method does that, so that May can be compared with January.',
    by: 'y ÷ index, or y − index',
  },
  recomposed: {
    term: 'recomposed',
    means: 'Trend-cycle and season put together again: the series without chance.',
    by: 'trend-cycle × index, or trend-cycle + index',
  },
  weight: {
    term: 'weight',
    means: 'How far a period was believed when the fit was made robust: 1 in full, 0 not at all.',
    by: '(1 − (r ÷ h)²)² within h = 6 × the median of |r|; Cleveland 1979',
  },
  stableSeason: {
    term: 'F of a stable season',
    means: 'How much more the seasons differ from one another than the years of one season do.',
    by: 'one-way analysis of variance of the seasonal-irregulars by season',
  },
  kruskalWallis: {
    term: 'Kruskal–Wallis test',
    means: 'The same asked of ranks, so that one freak value decides nothing.',
    by: 'Kruskal & Wallis 1952',
  },
  combinedSeason: {
    term: 'identifiable season',
    means:
      'Whether a season can be told from chance and stays enough of what it is to be taken out.',
    by: 'T = √((7 ÷ F(stable) + 3·F(moving) ÷ F(stable)) ÷ 2), with both tests and ranks; Lothian & Morry 1978',
  },
  irregularToTrend: {
    term: 'irregular to trend',
    means:
      'How far chance moves the adjusted series from one period to the next, beside how far its trend does: the more, the longer the trend filter.',
    by: 'mean |change| of the irregular ÷ mean |change| of the trend',
  },
  movingRatio: {
    term: 'ratio of moving seasonality',
    means:
      'How far chance moves a season from year to year, beside how far the season itself moves: the more, the longer the season filter.',
    by: 'mean |change| of the irregular ÷ mean |change| of the season, a year apart; Lothian 1984',
  },
  dominance: {
    term: 'span at which the trend leads',
    means: 'The shortest span from which on the trend moves more than the irregular does.',
    by: 'mean |change| over d periods, of both',
  },
  revision: {
    term: 'revision',
    means: 'By how much a figure of the past moves when later periods come.',
    by: 'last ÷ first − 1, or last − first',
  },
  movingSeason: {
    term: 'F of a moving season',
    means: 'Whether the size of the season changes over the years.',
    by: 'two-way analysis of variance of the distances from the baseline; Higginson 1975',
  },
  strength: {
    term: 'strength',
    means:
      'The share of the movement that trend or season explains beside chance: 0 nothing, 1 all.',
    by: 'max(0, 1 − Var(irregular) ÷ Var(component + irregular))',
  },
  swing: {
    term: 'variation of the yearly swing',
    means:
      'How unequal the yearly ranges are, as amounts and as shares; the steadier one names the model.',
    by: 'standard deviation ÷ mean of the yearly ranges',
  },
  spread: {
    term: 'standard deviation',
    means: 'How widely figures lie around their mean; a single freak one makes it large.',
    by: '√(Σ (x − x̄)² ÷ (n − 1))',
  },
  robustSpread: {
    term: 'robust spread',
    means:
      'How widely most figures lie around their middle; a single freak one does not change it.',
    by: '1.4826 × the median of |x − median|',
  },
  trend: {
    term: 'trend',
    means: 'The line or curve through the deseasonalized series.',
    by: 'least squares on the time code, or on days',
  },
  cycle: {
    term: 'cycle',
    means: 'How the trend-cycle stands to the trend: above in good years, below in bad ones.',
    by: 'trend-cycle ÷ trend, or trend-cycle − trend',
  },
  rSquared: {
    term: 'R²',
    means: 'The share of the variation that the fit explains.',
    by: '1 − SSE ÷ Σ (y − ȳ)²',
  },
  adjustedRSquared: {
    term: 'adjusted R²',
    means: 'The same, less what every further column gains by chance.',
    by: '1 − (1 − R²)(n − 1) ÷ (n − p)',
  },
  s: {
    term: 's, residual standard deviation',
    means: 'The typical size of what the fit misses.',
    by: '√(SSE ÷ (n − p))',
  },
  t: {
    term: 't',
    means: 'An estimate in standard errors: beyond about 2 it is more than chance.',
    by: 'estimate ÷ standard error',
  },
  p: {
    term: 'p',
    means:
      'How often chance alone would come out as far or further: small is hard to put down to chance.',
    by: 'tail of the distribution of the test',
  },
  f: {
    term: 'F',
    means: 'Whether the columns together explain more than chance would.',
    by: '(explained ÷ (p − 1)) ÷ (SSE ÷ (n − p))',
  },
  durbinWatson: {
    term: 'Durbin–Watson',
    means:
      'Whether neighbouring residuals resemble each other: about 2 says no, well below 2 says they wave.',
    by: 'Σ (e(t) − e(t−1))² ÷ Σ e(t)²; Durbin & Watson 1950',
  },
  leverage: {
    term: 'leverage',
    means: 'How far a period’s columns lie from those of the others: near 1 it fits itself.',
    by: 'xᵀ(XᵀX)⁻¹x, between 1 ÷ n and 1',
  },
  cook: {
    term: 'Cook’s distance',
    means: 'How far all fitted values would move without this period; above 1 it rules the fit.',
    by: 'e² h ÷ (p s² (1 − h)²); Cook 1977',
  },
  aic: {
    term: 'AIC, AICc, BIC',
    means:
      'Fit with a price for every column; the smallest of models of the same values is preferred.',
    by: 'n ln(SSE ÷ n) + 2(p + 1); AICc adds 2(p + 1)(p + 2) ÷ (n − p − 2); BIC + (p + 1) ln n',
  },
  degreesOfFreedom: {
    term: 'degrees of freedom',
    means: 'Values less what was estimated from them: what is left to judge chance by.',
    by: 'n − p',
  },
  fitted: {
    term: 'fitted',
    means: 'What the method says of a period that it has seen.',
    by: 'trend × index, or trend + index',
  },
  residual: {
    term: 'residual',
    means: 'Actual less fitted.',
    by: 'e = y − ŷ',
  },
  forecastDeseasonalized: {
    term: 'deseasonalized forecast',
    means: 'The trend extended, not yet put back into season: not what will be sold.',
    by: 'a + b t beyond the last period',
  },
  forecast: {
    term: 'forecast',
    means: 'The trend extended and put back into season.',
    by: 'trend × index, or trend + index',
  },
  limits: {
    term: 'prediction limits',
    means: 'Between them the actual value should come to lie in the stated share of cases.',
    by: 'trend ± t × s × √(1 + h), put back into season',
  },
  me: {
    term: 'mean error',
    means: 'Whether the method is too low (above 0) or too high (below 0) on average.',
    by: 'mean of e',
  },
  mae: {
    term: 'mean absolute error',
    means: 'How far off it is on average, in units of the series.',
    by: 'mean of |e|',
  },
  rmse: {
    term: 'root mean squared error',
    means: 'The same, large errors counting more.',
    by: '√(mean of e²)',
  },
  mape: {
    term: 'MAPE',
    means: 'The mean absolute error in per cent of each actual; undefined where one is 0.',
    by: 'mean of 100 |e ÷ y|',
  },
  smape: {
    term: 'sMAPE',
    means: 'The error in per cent of the mean of actual and forecast.',
    by: 'mean of 200 |e| ÷ (|y| + |ŷ|)',
  },
  mase: {
    term: 'MASE',
    means:
      'The mean absolute error beside that of repeating last year: below 1 is better than that.',
    by: 'MAE ÷ mean of |y(t) − y(t−m)|; International Journal of Forecasting 22 (2006)',
  },
  growth: {
    term: 'growth',
    means:
      'The change on the period, or the year, before in per cent; annualized, what a year of it makes.',
    by: '100 (y(t) ÷ y(t−1) − 1); × m, or ((y(t) ÷ y(t−1))^m − 1) compounded',
  },
  additive: {
    term: 'additive',
    means: 'Season and chance are amounts: the swing stays the same whatever the level.',
    by: 'y = trend-cycle + season + irregular',
  },
  multiplicative: {
    term: 'multiplicative',
    means: 'Season and chance are factors: the swing grows with the level.',
    by: 'y = trend-cycle × season × irregular',
  },
  loess: {
    term: 'loess',
    means:
      'A smooth made of a small line at every period, fitted to its neighbours, the nearest counting most.',
    by: 'Cleveland 1979; for seasonal series Cleveland, Cleveland, McRae & Terpenning 1990',
  },
  origin: {
    term: 'origin',
    means: 'The last period that is known when a forecast is made.',
    by: 'rolling origin: every period from the first training span on',
  },
  scaledError: {
    term: 'scaled error',
    means:
      'How far off forecasts were, beside the usual change on the year before: below 1 is less than that.',
    by: 'mean |e| of an origin ÷ mean |y(t) − y(t−m)| of what was known then',
  },
  coverage: {
    term: 'coverage',
    means: 'The share of what came that lay within the limits: 80% limits should hold about 80%.',
    by: 'values within, limits included ÷ values that came',
  },
  pastErrors: {
    term: 'limits from past errors',
    means:
      'As wide as earlier forecasts by the same method were off, horizon by horizon; neighbouring origins share what came, so the promise is approximate.',
    by: '⌈(K + 1) · level⌉-th smallest of K errors; Vovk, Gammerman & Shafer 2005',
  },
  trackingSignal: {
    term: 'tracking signal',
    means:
      'Whether errors add up to one side: the cumulative error, counted in mean absolute errors, and told beyond ±4.',
    by: 'Σ (actual − forecast) ÷ mean |actual − forecast|, from five errors on; Trigg 1964',
  },
  holdout: {
    term: 'holdout',
    means: 'The last periods, hidden from the method and then forecast.',
    by: 'actual − forecast over the last H periods',
  },
} as const satisfies Record<string, Term>

export type TermName = keyof typeof GLOSSARY

/** The terms of columns whose name is not that of the term. */
const TERM_OF_COLUMN: Readonly<Record<string, TermName>> = { t: 'timeCode' }

/** The term that a column of the ledger stands for, if there is one. */
export function termOfColumn(column: string): TermName | null {
  if (Object.hasOwn(TERM_OF_COLUMN, column)) return TERM_OF_COLUMN[column]!
  if (/^(lower|upper):/.test(column)) return 'limits'
  if (/^beside:rolling-mean/.test(column)) return 'rollingMean'
  if (/^beside:rolling-deviation/.test(column)) return 'rollingDeviation'
  if (/^beside:average/.test(column)) return 'movingAverage'
  if (/^beside:growth/.test(column)) return 'growth'
  return Object.hasOwn(GLOSSARY, column) && column !== 't' ? (column as TermName) : null
}
