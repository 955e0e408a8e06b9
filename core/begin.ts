import { calculate } from './calculate'
import { countPeriods } from './calendar/labels'
import { spanOf } from './completeMethod'
import { initialByRule } from './stateSpace/initial'
import { defaultWay, MOVING_WAY, WITHOUT_SEASON } from './decompose/ways'
import { examineSoon, type ExaminedSoon } from './examine'
import { changed, METHOD_FORMAT, type MethodDocument } from './method'
import { orNull } from './refusal'
import { movementOf } from './seasonality/seasonTests'
import type { Series } from './series/series'
import { LINE, smoothedChange } from './trend/formChange'
import { STRAIGHT } from './trend/leastSquares/forms'
import { figure } from './words/figure'

export const BEGIN_FORMAT = 'elvant-begin/1'

/** The method that a series begins with, and how it came about. */
export interface Beginning {
  readonly format: typeof BEGIN_FORMAT
  readonly method: MethodDocument
  /** One clause a choice, to be joined to a sentence: `the swing grows with the level`. */
  readonly because: readonly string[]
}

/** `Begun by rule: the swing grows with the level; a straight line fits.` */
export function beginWords({ because }: Beginning): string {
  return because.length === 0
    ? 'Begun with the usual method.'
    : `Begun by rule: ${because.join('; ')}.`
}

/** Full years that a straight line must rest on. */
const YEARS_FOR_A_LINE = 3
/** Full years that a season must rest on. */
const YEARS_FOR_A_SEASON = 2
/** Below this Durbin–Watson a line leaves neighbours too much alike to be carried on. */
const LINE_LEAVES = 1

/**
 * The method that a series begins with, by rule: the model that fits; the season by averages, by robust loess where it moves,
 * none where there are not two years of it; a straight line where one fits, else a smoothed level with a damped slope, which
 * keeps to the latest values. One default for all series would be off more than twice as far as the last value on most.
 *
 * @param given what is no choice between methods: span, missing values, values left out, horizon, limits, check
 * @returns the smallest method where nothing can be calculated: then it says itself what is missing
 * @throws Refusal for a span that the series does not have
 * @example of five years that grow in a straight line: its own model, ratio to a moving average, a straight line
 */
export function begin(
  series: Series,
  given: MethodDocument = { format: METHOD_FORMAT },
): Beginning {
  return beginExamined(series, given).beginning
}

/** The method that a series begins with, and what was found out of its decomposition on the way. */
export interface BegunExamined {
  readonly beginning: Beginning
  /** Under a straight line, whatever the trend of the method; null where nothing can be calculated. */
  readonly examined: ExaminedSoon | null
}

/** The same with what was found out on the way, for whoever wants to know it too. @throws Refusal as {@link begin} does */
export function beginExamined(
  series: Series,
  given: MethodDocument = { format: METHOD_FORMAT },
): BegunExamined {
  const { calendar } = series
  const { firstT, lastT } = spanOf(given, series)
  const periods = lastT - firstT + 1
  const hasYears = calendar.seasons > 1 && periods >= YEARS_FOR_A_SEASON * calendar.seasons
  const withSeason = hasYears ? examinedOf(series, given) : null
  if (!withSeason) return withoutSeason(series, given, periods, hasYears)

  const { advisedModel, outliers } = withSeason
  const usual = withSeason.method.decompose.model
  const isAdvised = advisedModel !== null && !advisedModel.close
  const model = isAdvised ? advisedModel.better : usual
  const underModel = changed(given, { decompose: { by: defaultWay(calendar), model } })
  const examined = model === usual ? withSeason : (examinedOf(series, underModel) ?? withSeason)
  const moves = examined.seasonTests !== null && movementOf(examined.seasonTests) !== null
  const average = outliers.length > 0 && !moves ? { average: 'median' } : {}
  const method = changed(given, {
    decompose: moves
      ? { ...MOVING_WAY.change.decompose, model }
      : { by: defaultWay(calendar), model, ...average },
  })
  const decomposed = moves ? examinedOf(series, method) : examined
  const because = [
    isAdvised
      ? model === 'multiplicative'
        ? 'the swing grows with the level'
        : 'the swing does not grow with the level'
      : model === 'multiplicative'
        ? 'every value is above 0'
        : 'a value is not above 0',
    ...(moves ? ['the season moves over the years'] : []),
    ...(outliers.length > 0 && !moves
      ? [
          `${outliers.length === 1 ? 'one value stands' : `${outliers.length} values stand`} far off, so the indices are medians`,
        ]
      : []),
  ]
  return withTrend(method, decomposed ?? examined, periods, because)
}

function withoutSeason(
  series: Series,
  given: MethodDocument,
  periods: number,
  hasYears: boolean,
): BegunExamined {
  const { calendar } = series
  const method = changed(given, WITHOUT_SEASON)
  const examined = examinedOf(series, method)
  if (!examined) {
    return { beginning: { format: BEGIN_FORMAT, method: given, because: [] }, examined: null }
  }
  const why =
    calendar.seasons < 2
      ? 'a yearly series has no season'
      : hasYears
        ? 'gaps leave no average of a year in some seasons, so none is taken out'
        : `${countPeriods(periods, calendar)} are too few for a season`
  return withTrend(method, examined, periods, [why])
}

/** A straight line where one fits, else a smoothed level with a damped slope. */
function withTrend(
  method: MethodDocument,
  examined: ExaminedMethod,
  periods: number,
  because: readonly string[],
): BegunExamined {
  const { phases, level, trendFits, deseasonalized, m: seasons } = examined
  const likeness = trendFits?.likeness ?? null
  const reasons: readonly (readonly [boolean, string])[] = [
    [
      periods < YEARS_FOR_A_LINE * seasons || phases.length === 0,
      'there are too few years for a straight line',
    ],
    [level.wanders, 'the level wanders'],
    [level.evenGrowth !== null, 'the trend grows by shares'],
    [level.pieces.length > 1, 'the trend turns'],
    [
      likeness !== null && likeness < LINE_LEAVES,
      `a straight line leaves neighbours alike (Durbin–Watson ${figure(likeness ?? 0)})`,
    ],
    [(trendFits?.offAtEnd ?? null) !== null, 'the latest values have left the straight line'],
  ]
  const against = reasons.find(([isSo]) => isSo)
  const rule = { trend: 'damped', season: 'none', error: 'additive' } as const
  const canSmooth = orNull(() => initialByRule(deseasonalized, rule, 1, seasons)) !== null
  if (!against || !canSmooth) {
    const fits = against ? [] : ['a straight line fits']
    const line = changed(method, { trend: LINE.trend })
    const beginning = {
      format: BEGIN_FORMAT,
      method: line,
      because: [...because, ...fits],
    } as const
    return { beginning, examined }
  }
  const beginning: Beginning = {
    format: BEGIN_FORMAT,
    method: changed(method, { trend: smoothedChange('damped').trend }),
    because: [...because, `${against[1]}, so a smoothed level is carried on`],
  }
  return { beginning, examined }
}

/** What of a method under a straight line decides. */
type ExaminedMethod = ExaminedSoon & {
  readonly method: ReturnType<typeof calculate>['method']
  readonly deseasonalized: ReturnType<typeof calculate>['decomposed']['deseasonalized']
  readonly m: number
}

/** A method with a straight line, examined; null where it is refused. */
function examinedOf(series: Series, document: MethodDocument): ExaminedMethod | null {
  return orNull(() => {
    const figures = calculate(series, changed(document, { trend: { form: STRAIGHT } }))
    const { method, decomposed } = figures
    const { deseasonalized } = decomposed
    return { ...examineSoon(figures), method, deseasonalized, m: series.calendar.seasons }
  })
}
